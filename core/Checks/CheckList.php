<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Checks\Colour\BandsLikely;
use OuterCrate\Checks\Colour\ChromaDiffers;
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
use OuterCrate\Checks\Container\IndexLast;
use OuterCrate\Checks\File\CutMayBeWrong;
use OuterCrate\Checks\File\FileSystemLimit;
use OuterCrate\Checks\File\NameSaysLast;
use OuterCrate\Checks\File\NoRoom;
use OuterCrate\Checks\File\SameDrive;
use OuterCrate\Checks\File\TooLargeForHost;
use OuterCrate\Checks\File\TooLongForHost;
use OuterCrate\Checks\FrameRate\FieldsInUpload;
use OuterCrate\Checks\FrameRate\FieldsNotKept;
use OuterCrate\Checks\FrameRate\FrameRateChanged;
use OuterCrate\Checks\FrameRate\FrameRateUnderAsk;
use OuterCrate\Checks\FrameRate\MotionSlow;
use OuterCrate\Checks\FrameRate\RateNotAllowed;
use OuterCrate\Checks\FrameRate\ScanMistold;
use OuterCrate\Checks\FrameRate\VariableFrameRate;
use OuterCrate\Checks\FrameSize\BarsInCut;
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
use OuterCrate\Checks\Keyframes\GopOpen;
use OuterCrate\Checks\Keyframes\KeyframesTooFar;
use OuterCrate\Checks\Keyframes\PyramidNotAsked;
use OuterCrate\Checks\Keyframes\TooManyBFrames;
use OuterCrate\Checks\Picture\CodecNotTaken;
use OuterCrate\Checks\Picture\CodecRefusesFrame;
use OuterCrate\Checks\Picture\EncoderMissing;
use OuterCrate\Checks\Picture\HardwareTrade;
use OuterCrate\Checks\Picture\LevelExceeded;
use OuterCrate\Checks\Picture\MaskLost;
use OuterCrate\Checks\Picture\NoLevel;
use OuterCrate\Checks\Picture\ProfileDiffers;
use OuterCrate\Checks\Rate\ConstantRatePadding;
use OuterCrate\Checks\Rate\GenerationOfLoss;
use OuterCrate\Checks\Rate\GrainNeedsBits;
use OuterCrate\Checks\Rate\PeakAboveAsk;
use OuterCrate\Checks\Rate\RateAboveCut;
use OuterCrate\Checks\Rate\RateUnderAsk;
use OuterCrate\Checks\Rate\TooFewBits;
use OuterCrate\Checks\Rate\TooManyBits;
use OuterCrate\Checks\Sound\LoudnessOff;
use OuterCrate\Checks\Sound\LoudnessUnknown;
use OuterCrate\Checks\Sound\MixedDown;
use OuterCrate\Checks\Sound\NoSound;
use OuterCrate\Checks\Sound\NothingToMake;
use OuterCrate\Checks\Sound\PeaksLimited;
use OuterCrate\Checks\Sound\SoundNotAsked;
use OuterCrate\Checks\Sound\SoundUncompressed;
use OuterCrate\Checks\Sound\TracksLeftOut;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Planning\Plan;

/** All checks, in the order in which their findings are shown. A new finding is a new class and a line here. */
final readonly class CheckList
{
    /** @var list<Check> */
    private array $checks;

    public function __construct(Encoders $encoders)
    {
        $this->checks = [
            new NothingToMake, new EncoderMissing($encoders), new ContainerCannotHold, new CodecRefusesFrame, new NoLevel, new LevelExceeded, new NoRoom,
            new TooLongForHost, new FrameTooLargeForHost, new TooLargeForHost,
            new CodecNotTaken, new ContainerNotTaken, new ShapeDiffers, new ProjectionMissing, new FrameEnlarged,
            new FrameRateUnderAsk, new FrameRateChanged, new RateUnderAsk, new HdrToSdr, new NoSound,
            new VariableFrameRate, new RateAboveCut, new ContainerTooSmall, new TagsLost,
            new Stretched, new TooFewBits, new ConstantRatePadding,
            new ScanMistold, new HardwareTrade, new IndexLast, new ProfileDiffers, new MaskLost,
            new FrameReduced, new BarsInCut, new MostlyBars, new PixelsNotSquare, new ProjectionLost, new SphereNotTwoToOne,
            new FieldsInUpload, new FieldsNotKept, new MotionSlow, new RateNotAllowed,
            new TooManyBits, new PeakAboveAsk, new GenerationOfLoss,
            new KeyframesTooFar, new GopOpen, new TooManyBFrames, new PyramidNotAsked,
            new ChromaDiffers, new MasterLosesDepth, new BandsLikely, new GrainNeedsBits,
            new HdrWithoutMetadata, new HdrMistagged, new HdrForSdrViewers, new Untagged, new TagAssumed, new RangeChanged,
            new SoundUncompressed, new SoundNotAsked, new LoudnessOff, new LoudnessUnknown, new PeaksLimited, new MixedDown, new TracksLeftOut,
            new NameSaysLast, new CutMayBeWrong, new FileSystemLimit, new SameDrive,
        ];
    }

    /** @return list<Finding> the ones that stop first */
    public function look(Plan $plan, Subject $subject): array
    {
        $findings = [];
        foreach ($this->checks as $check) {
            $finding = $plan->hasPicture() || $check instanceof ForSoundToo ? $check->look($plan, $subject) : null;
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }
        $rank = [Severity::Stop->value => 0, Severity::Caution->value => 1, Severity::Note->value => 2];
        usort($findings, static fn (Finding $a, Finding $b): int => $rank[$a->severity->value] <=> $rank[$b->severity->value]);

        return $findings;
    }
}
