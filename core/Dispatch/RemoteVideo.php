<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

use OuterCrate\Json\Fields;

/** A video as its host has it. */
final readonly class RemoteVideo
{
    /**
     * @param  string|null  $page  address on which people see it
     * @param  string  $state  processing, ready or failed
     * @param  string|null  $sha256  of the file as it arrived, where the host says so
     * @param  string  $visibility  private, unlisted or public
     * @param  string|null  $publishAt  when the host makes it public by itself (ISO 8601, UTC)
     * @param  list<string>  $missing  what the host needs before it shows it to everybody
     * @param  list<array{lines: int, codec: string, state: string, bytes: ?int}>  $renditions  the smallest first
     */
    public function __construct(
        public string $id,
        public ?string $page,
        public string $state,
        public ?string $reason,
        public ?string $tier,
        public ?string $sha256,
        public string $visibility,
        public ?string $publishAt,
        public array $missing,
        public array $renditions,
    ) {
    }

    /** Every size that the host makes of it is there. */
    public function isWhole(): bool
    {
        return $this->state === 'ready';
    }

    /** @return list<int> lines of the sizes that are ready, the smallest first */
    public function ready(): array
    {
        return array_values(array_map(
            static fn (array $one): int => $one['lines'],
            array_filter($this->renditions, static fn (array $one): bool => $one['state'] === 'ready'),
        ));
    }

    /** Which sizes are there and which come later. */
    public function words(): string
    {
        $ready = $this->ready();
        $later = array_map(
            static fn (array $one): int => $one['lines'],
            array_values(array_filter($this->renditions, static fn (array $one): bool => $one['state'] !== 'ready')),
        );

        return match (true) {
            $this->state === 'failed' => 'The host could not use it: '.($this->reason ?? 'it does not say why.'),
            $this->renditions === [] => 'The host looks at it. Sizes come in a while.',
            $later === [] => 'All sizes are there: '.implode(', ', $ready).' lines.',
            $ready === [] => 'No size is there yet. They come one after another, the small ones first.',
            default => 'There: '.implode(', ', $ready).' lines. The taller ones come later: '.implode(', ', $later).'.',
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'page' => $this->page,
            'state' => $this->state,
            'reason' => $this->reason,
            'tier' => $this->tier,
            'sha256' => $this->sha256,
            'visibility' => $this->visibility,
            'publishAt' => $this->publishAt,
            'missing' => $this->missing,
            'renditions' => $this->renditions,
        ];
    }

    /** @param  array<string, mixed>  $from  as toArray() gives it, or the host tells */
    public static function fromArray(array $from): self
    {
        $fields = new Fields($from);

        return new self(
            $fields->text('id') ?? '',
            $fields->text('page'),
            $fields->text('state') ?? 'processing',
            $fields->text('reason'),
            $fields->text('tier'),
            $fields->text('sha256'),
            $fields->text('visibility') ?? 'private',
            $fields->text('publishAt'),
            $fields->texts('missing'),
            array_map(static fn (Fields $one): array => [
                'lines' => $one->int('lines') ?? 0,
                'codec' => $one->text('codec') ?? '',
                'state' => $one->text('state') ?? '',
                'bytes' => $one->int('bytes'),
            ], $fields->rows('renditions')),
        );
    }
}
