<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Units\Timecode;

/** What lies in a file beside picture and sound. */
final readonly class Extras
{
    /**
     * @param  list<string>  $brands  of an ISO base media file, the major one first
     * @param  Timecode|null  $timecode  of the first frame
     * @param  list<array{codec: string, language: ?string}>  $captions  subtitle and caption streams
     * @param  list<array{start: float, title: string}>  $chapters  start in seconds
     * @param  list<array{name: string, type: string}>  $attachments
     * @param  array<string, string>  $tags  of the whole file
     */
    public function __construct(
        public array $brands = [],
        public ?Timecode $timecode = null,
        public array $captions = [],
        public array $chapters = [],
        public array $attachments = [],
        public array $tags = [],
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'captions' => $this->captions,
            'chapters' => $this->chapters,
            'attachments' => $this->attachments,
            'tags' => (object) $this->tags,
        ];
    }
}
