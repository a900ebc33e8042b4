<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

use OuterCrate\Json\Fields;
use OuterCrate\Units\FrameSize;

/** What a host takes of a file and of what is said about it. Null where it does not say. */
final readonly class Takes
{
    /**
     * @param  int|null  $title  characters
     * @param  int|null  $description  characters
     * @param  int|null  $tags  characters of all of them together, a comma between two
     * @param  list<string>  $categories  empty where it has none
     * @param  list<string>  $licences  empty where it has none
     * @param  FrameSize|null  $thumbnail  pixels that one has at least
     * @param  int|null  $thumbnailBytes  that one has at most
     */
    public function __construct(
        public ?int $seconds = null,
        public ?int $bytes = null,
        public ?int $title = null,
        public ?int $description = null,
        public ?int $tags = null,
        public array $categories = [],
        public array $licences = [],
        public ?FrameSize $thumbnail = null,
        public ?int $thumbnailBytes = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'seconds' => $this->seconds,
            'bytes' => $this->bytes,
            'title' => $this->title,
            'description' => $this->description,
            'tags' => $this->tags,
            'categories' => $this->categories,
            'licences' => $this->licences,
            'thumbnail' => $this->thumbnail === null ? null : (string) $this->thumbnail,
            'thumbnailBytes' => $this->thumbnailBytes,
        ];
    }

    /** @param  array<string, mixed>  $from  as toArray() gave it */
    public static function fromArray(array $from): self
    {
        $fields = new Fields($from);
        $thumbnail = $fields->text('thumbnail');

        return new self(
            $fields->int('seconds'),
            $fields->int('bytes'),
            $fields->int('title'),
            $fields->int('description'),
            $fields->int('tags'),
            $fields->texts('categories'),
            $fields->texts('licences'),
            $thumbnail === null ? null : FrameSize::parse($thumbnail),
            $fields->int('thumbnailBytes'),
        );
    }
}
