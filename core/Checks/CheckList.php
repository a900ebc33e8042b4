<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Audio\AudioNotAsked;
use OuterCrate\Checks\Audio\AudioUncompressed;
use OuterCrate\Checks\Audio\CodecRefusesChannels;
use OuterCrate\Checks\Audio\LoudnessOff;
use OuterCrate\Checks\Audio\LoudnessOutOfReach;
use OuterCrate\Checks\Audio\LoudnessUnknown;
use OuterCrate\Checks\Audio\MixedDown;
use OuterCrate\Checks\Audio\MixOverloads;
use OuterCrate\Checks\Audio\NoAudio;
use OuterCrate\Checks\Audio\NothingToMake;
use OuterCrate\Checks\Audio\PeaksLimited;
use OuterCrate\Checks\Audio\SamplesNotKept;
use OuterCrate\Checks\Audio\TracksLeftOut;
use OuterCrate\Checks\Bitrate\BeyondTable;
use OuterCrate\Checks\Bitrate\BitrateAboveCut;
use OuterCrate\Checks\Bitrate\BitrateUnderAsk;
use OuterCrate\Checks\Bitrate\ConstantRatePadding;
use OuterCrate\Checks\Bitrate\DeviceRefusesBitrate;
use OuterCrate\Checks\Bitrate\GenerationOfLoss;
use OuterCrate\Checks\Bitrate\GrainNeedsBits;
use OuterCrate\Checks\Bitrate\MoreThanSurvives;
use OuterCrate\Checks\Bitrate\OnePassMisses;
use OuterCrate\Checks\Bitrate\PeakAboveAsk;
use OuterCrate\Checks\Bitrate\StrictPeak;
use OuterCrate\Checks\Bitrate\TooFewBits;
use OuterCrate\Checks\Bitrate\TooManyBits;
use OuterCrate\Checks\Colour\BandsLikely;
use OuterCrate\Checks\Colour\ChromaDiffers;
use OuterCrate\Checks\Colour\DeviceRefusesColour;
use OuterCrate\Checks\Colour\HdrForSdrViewers;
use OuterCrate\Checks\Colour\HdrMistagged;
use OuterCrate\Checks\Colour\HdrToSdr;
use OuterCrate\Checks\Colour\HdrWithoutMetadata;
use OuterCrate\Checks\Colour\MasterLosesDepth;
use OuterCrate\Checks\Colour\RangeChanged;
use OuterCrate\Checks\Colour\TagAssumed;
use OuterCrate\Checks\Colour\TagsLost;
use OuterCrate\Checks\Colour\Untagged;
use OuterCrate\Checks\Container\ContainerCannotHold;
use OuterCrate\Checks\Container\ContainerNotTaken;
use OuterCrate\Checks\Container\ContainerTooSmall;
use OuterCrate\Checks\Container\HostChanged;
use OuterCrate\Checks\Container\IndexLast;
use OuterCrate\Checks\Container\PresetAway;
use OuterCrate\Checks\Container\PresetGone;
use OuterCrate\Checks\Container\PresetNewer;
use OuterCrate\Checks\File\CutMayBeWrong;
use OuterCrate\Checks\File\FileSystemLimit;
use OuterCrate\Checks\File\NameSaysLast;
use OuterCrate\Checks\File\NoRoom;
use OuterCrate\Checks\File\SameDrive;
use OuterCrate\Checks\File\TooLargeForHost;
use OuterCrate\Checks\File\TooLongForHost;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Checks\FrameRate\ClockBroken;
use OuterCrate\Checks\FrameRate\ContainerRefusesRate;
use OuterCrate\Checks\FrameRate\DeviceRefusesRate;
use OuterCrate\Checks\FrameRate\FieldsInUpload;
use OuterCrate\Checks\FrameRate\FieldsNotKept;
use OuterCrate\Checks\FrameRate\FrameRateChanged;
use OuterCrate\Checks\FrameRate\FrameRateNotAllowed;
use OuterCrate\Checks\FrameRate\FrameRateUnderAsk;
use OuterCrate\Checks\FrameRate\MotionSlow;
use OuterCrate\Checks\FrameRate\ScanMistold;
use OuterCrate\Checks\FrameRate\VariableFrameRate;
use OuterCrate\Checks\FrameSize\BarsInCut;
use OuterCrate\Checks\FrameSize\DeviceRefusesSize;
use OuterCrate\Checks\FrameSize\EdgeCutOff;
use OuterCrate\Checks\FrameSize\FrameEnlarged;
use OuterCrate\Checks\FrameSize\FrameReduced;
use OuterCrate\Checks\FrameSize\FrameTooLargeForHost;
use OuterCrate\Checks\FrameSize\MostlyBars;
use OuterCrate\Checks\FrameSize\PixelsNotSquare;
use OuterCrate\Checks\FrameSize\ProjectionLost;
use OuterCrate\Checks\FrameSize\ProjectionMissing;
use OuterCrate\Checks\FrameSize\ShapeDiffers;
use OuterCrate\Checks\FrameSize\SphereNotTwoToOne;
use OuterCrate\Checks\FrameSize\Stretched;
use OuterCrate\Checks\Keyframes\DeviceRefusesKeyframes;
use OuterCrate\Checks\Keyframes\GopOpen;
use OuterCrate\Checks\Keyframes\KeyframesTooFar;
use OuterCrate\Checks\Keyframes\PyramidNotAsked;
use OuterCrate\Checks\Keyframes\TooManyBFrames;
use OuterCrate\Checks\Video\AlphaLost;
use OuterCrate\Checks\Video\CodecNotTaken;
use OuterCrate\Checks\Video\CodecRefusesFrame;
use OuterCrate\Checks\Video\DeviceRefusesCodec;
use OuterCrate\Checks\Video\EncoderMissing;
use OuterCrate\Checks\Video\EncoderRefusesBitrate;
use OuterCrate\Checks\Video\HardwareTrade;
use OuterCrate\Checks\Video\LevelExceeded;
use OuterCrate\Checks\Video\NoLevel;
use OuterCrate\Checks\Video\ProfileDiffers;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Refusal;
use OuterCrate\Planning\Subject;

/** All checks, in the order in which their findings are shown. A new finding is a new class and a line here. */
final readonly class CheckList
{
    /** @var list<Check> */
    private array $checks;

    public function __construct(Encoders $encoders)
    {
        $this->checks = [
            new PresetGone,
            new PresetNewer,
            new PresetAway,
            new HostChanged,
            new NothingToMake,
            new EncoderMissing($encoders),
            new ContainerCannotHold,
            new CodecRefusesFrame,
            new CodecRefusesChannels,
            new SamplesNotKept,
            new ContainerRefusesRate,
            new DeviceRefusesCodec,
            new DeviceRefusesSize,
            new DeviceRefusesRate,
            new DeviceRefusesBitrate,
            new DeviceRefusesKeyframes,
            new DeviceRefusesColour,
            new NoLevel,
            new EncoderRefusesBitrate($encoders),
            new LevelExceeded,
            new NoRoom,
            new TooLongForHost,
            new FrameTooLargeForHost,
            new TooLargeForHost,
            new CodecNotTaken,
            new ContainerNotTaken,
            new ShapeDiffers,
            new ProjectionMissing,
            new FrameEnlarged,
            new FrameRateUnderAsk,
            new FrameRateChanged,
            new BitrateUnderAsk,
            new HdrToSdr,
            new NoAudio,
            new VariableFrameRate,
            new ClockBroken,
            new BitrateAboveCut,
            new ContainerTooSmall,
            new TagsLost,
            new Stretched,
            new TooFewBits,
            new ConstantRatePadding,
            new ScanMistold,
            new HardwareTrade,
            new IndexLast,
            new ProfileDiffers,
            new AlphaLost,
            new FrameReduced,
            new EdgeCutOff,
            new BarsInCut,
            new MostlyBars,
            new PixelsNotSquare,
            new ProjectionLost,
            new SphereNotTwoToOne,
            new FieldsInUpload,
            new FieldsNotKept,
            new MotionSlow,
            new FrameRateNotAllowed,
            new MoreThanSurvives,
            new TooManyBits,
            new OnePassMisses,
            new PeakAboveAsk,
            new StrictPeak,
            new GenerationOfLoss,
            new KeyframesTooFar,
            new GopOpen,
            new TooManyBFrames,
            new PyramidNotAsked,
            new ChromaDiffers,
            new MasterLosesDepth,
            new BandsLikely,
            new GrainNeedsBits,
            new HdrWithoutMetadata,
            new HdrMistagged,
            new HdrForSdrViewers,
            new Untagged,
            new TagAssumed,
            new RangeChanged,
            new AudioUncompressed,
            new AudioNotAsked,
            new LoudnessOff,
            new LoudnessUnknown,
            new LoudnessOutOfReach,
            new PeaksLimited,
            new MixOverloads,
            new MixedDown,
            new TracksLeftOut,
            new NameSaysLast,
            new CutMayBeWrong,
            new FileSystemLimit,
            new SameDrive,
            new BeyondTable,
        ];
    }

    /** @return list<Finding> the ones that stop first */
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): array
    {
        $refused = array_map(self::refusal(...), $plan->refused);
        $findings = [];
        foreach ($this->checks as $check) {
            $finding = $plan->hasVideo() || $check instanceof ForSoundToo ? $check->look($plan, $subject, $estimate) : null;
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }
        $rank = [Severity::Stop->value => 0, Severity::Caution->value => 1, Severity::Note->value => 2];
        usort($findings, static fn (Finding $a, Finding $b): int => $rank[$a->severity->value] <=> $rank[$b->severity->value]);

        return [...$refused, ...$findings];
    }

    private static function refusal(Refusal $refusal): Finding
    {
        $remedy = $refusal->yours ? Finding::putBack($refusal->cell, 'Put the preset’s value back') : null;

        return new Finding('impossible-value', Severity::Stop, $refusal->cell, $refusal->text, $remedy);
    }
}
