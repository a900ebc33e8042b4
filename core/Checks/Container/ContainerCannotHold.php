<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Container;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** Picture or sound cannot be put into this container. */
final class ContainerCannotHold implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $container = $plan->container->container;
        $codec = $plan->video->codec;
        $sound = $plan->audio->codec;
        if (! $plan->hasVideo() && ($container->videoCodecs() === [] || $container->audioCodecs() !== [])) {
            return $sound === null || in_array($sound->id(), $container->audioCodecs(), true)
                ? null
                : $this->finding(
                    "{$container->name()} does not carry the {$plan->audio->channels} channels of {$sound->name()} in a way that "
                        .'others read.',
                    new Remedy('Use WAV with PCM', ['container' => ['set' => 'wav'], 'audio' => ['codec' => 'pcm']]),
                );
        }
        if ($container->videoCodecs() === []) {
            return $this->finding(
                "{$container->name()} holds sound alone, 0 pictures.",
                new Remedy('Leave the picture out', ['video' => 'none', 'audio' => ['codec' => $container->audioCodecs()[0]]]),
            );
        }
        if (! in_array($codec->id(), $container->videoCodecs(), true)) {
            $stills = in_array($codec->id(), ['png', 'tiff'], true);

            return $this->finding(
                "{$container->name()} does not carry the {$plan->frames} frames of {$codec->name()} in a way that others read.",
                match (true) {
                    $stills => new Remedy('Put the images into a folder', ['container' => ['set' => 'folder'], 'audio' => 'none']),
                    $container->audioCodecs() === [] => new Remedy('Make PNG images', ['video' => ['codec' => 'png'], 'audio' => 'none']),
                    default => null,
                },
            );
        }
        if ($sound !== null && ! in_array($sound->id(), $container->audioCodecs(), true)) {
            return $this->finding(
                "{$container->name()} does not carry the {$plan->audio->channels} channels of {$sound->name()} in a way that others read.",
                $container->audioCodecs() === [] ? new Remedy('Leave the sound out', ['audio' => 'none']) : null,
            );
        }

        return null;
    }

    private function finding(string $text, ?Remedy $remedy): Finding
    {
        return new Finding(
            'container-cannot-hold',
            Severity::Stop,
            ContainerCell::NAME,
            $text,
            $remedy ?? new Remedy('Use Matroska, which carries both', ['container' => ['set' => 'matroska']]),
        );
    }
}
