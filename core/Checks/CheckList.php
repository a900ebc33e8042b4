<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

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
            new EncoderMissing($encoders), new ContainerCannotHold, new CodecRefusesFrame, new NoLevel, new LevelExceeded, new NoRoom, new HostLimits,
            new CodecNotTaken, new ContainerNotTaken, new ShapeDiffers, new ProjectionMissing, new FrameEnlarged,
            new FrameRateUnderAsk, new FrameRateChanged, new RateUnderAsk, new HdrToSdr, new NoSound,
            new VariableFrameRate, new RateAboveCut, new ContainerTooSmall, new TagsLost,
            new Stretched, new TooFewBits, new ConstantRatePadding,
        ];
    }

    /** @return list<Finding> the ones that stop first */
    public function look(Plan $plan, Subject $subject): array
    {
        $findings = [];
        foreach ($this->checks as $check) {
            $finding = $check->look($plan, $subject);
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }
        $rank = [Severity::Stop->value => 0, Severity::Caution->value => 1, Severity::Note->value => 2];
        usort($findings, static fn (Finding $a, Finding $b): int => $rank[$a->severity->value] <=> $rank[$b->severity->value]);

        return $findings;
    }
}
