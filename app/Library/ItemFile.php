<?php

namespace App\Library;

use App\Schema\Contract;
use App\Schema\KnownFields;
use OuterCrate\Planning\Sheet\Schemas;
use stdClass;

/** A preset or host in the open format (docs/formats.md), decoded. What this version does not know of it is kept. */
final readonly class ItemFile
{
    /** The format's version that is read and written. */
    public const VERSION = 1;

    private const FLAGS = JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

    /** @param  string|null  $text  that it was decoded from, where it says the same */
    private function __construct(public Kind $kind, public stdClass $content, private ?string $text = null)
    {
    }

    /**
     * @throws NotInFormat when it is of a newer format, or breaks its schema
     */
    public static function of(Kind $kind, mixed $content, Contract $contract, string $called): self
    {
        $format = $content instanceof stdClass && is_string($content->format ?? null) ? $content->format : null;
        if (! $content instanceof stdClass || $format !== $kind->format()) {
            throw new NotInFormat($called, "it does not say that it is “{$kind->format()}”");
        }
        $version = $content->version ?? null;
        if (is_int($version) && $version > self::VERSION) {
            throw NotInFormat::newer($called, $version, self::VERSION);
        }
        $faults = $contract->faults(KnownFields::only($content, $kind->value), $kind->value);
        if ($faults !== []) {
            throw new NotInFormat($called, $faults[0]['says']);
        }

        return new self($kind, $content);
    }

    /** What ships, and was held to the format when it was read. */
    public static function lies(Kind $kind, stdClass $content): self
    {
        return new self($kind, $content, (string) json_encode($content, JSON_PRESERVE_ZERO_FRACTION));
    }

    /** What was held to the format before it was kept. */
    public static function kept(Kind $kind, string $text): self
    {
        $content = json_decode($text, false, 64);

        return new self($kind, $content instanceof stdClass ? $content : new stdClass, $text);
    }

    /** One that says nothing yet. */
    public static function blank(Kind $kind): self
    {
        $content = (object) ['format' => $kind->format(), 'version' => self::VERSION, 'name' => '', 'about' => ''];
        if ($kind === Kind::Host) {
            $content->asks = new stdClass;
        }

        return new self($kind, $content);
    }

    /** The same with some of its fields said anew; a null takes a field away. */
    public function with(mixed ...$fields): self
    {
        $content = clone $this->content;
        foreach ($fields as $name => $value) {
            if ($value === null) {
                unset($content->{$name});
            } else {
                $content->{$name} = json_decode((string) json_encode($value, JSON_PRESERVE_ZERO_FRACTION), false);
            }
        }

        return new self($this->kind, $content);
    }

    /** The same for what says the same to the letter. */
    public function fingerprint(): string
    {
        return hash('xxh128', $this->text ?? (string) json_encode($this->content, JSON_PRESERVE_ZERO_FRACTION));
    }

    public function name(): string
    {
        return is_string($this->content->name ?? null) ? $this->content->name : '';
    }

    /** @return array<mixed> of which a preset or host is made */
    public function fields(): array
    {
        return (array) json_decode($this->text ?? (string) json_encode($this->content, JSON_PRESERVE_ZERO_FRACTION), true);
    }

    /** @return list<string> places that this version does not know, which do nothing */
    public function unknown(): array
    {
        return KnownFields::unknown($this->content, $this->kind->value);
    }

    /** The file as it is written: what says what it is comes first. */
    public function text(?string $id = null): string
    {
        return self::encoded($this->document($id));
    }

    /** @return array<string, mixed> the same for a file of many */
    public function document(?string $id = null): array
    {
        $first = ['$schema' => Schemas::ADDRESS."{$this->kind->value}.json", 'format' => $this->kind->format(), 'version' => self::VERSION];

        return $first + ($id === null ? [] : ['id' => $id]) + (array) $this->content;
    }

    public static function encoded(mixed $document): string
    {
        return json_encode($document, self::FLAGS | JSON_THROW_ON_ERROR)."\n";
    }

    /** Whether both say the same, whatever they are called by and in whatever order. */
    public function saysLike(self $other): bool
    {
        return self::sorted($this->content) === self::sorted($other->content);
    }

    private static function sorted(mixed $value, bool $top = true): mixed
    {
        if ($value instanceof stdClass) {
            $value = (array) $value;
            $top ? $value = array_diff_key($value, array_flip(['$schema', 'id', 'format', 'version'])) : null;
            ksort($value);

            return ['{}' => array_map(fn (mixed $part): mixed => self::sorted($part, false), $value)];
        }

        return is_array($value) ? array_map(fn (mixed $part): mixed => self::sorted($part, false), $value) : $value;
    }
}
