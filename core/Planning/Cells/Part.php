<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

/** One named value of a cell's rule as an editor shows it: a choice of a few, a number, a switch or a text. */
final readonly class Part
{
    /** @param  list<array{label: string, value: mixed, about: string}>  $options */
    private function __construct(
        public string $key,
        private string $label,
        private string $kind,
        private array $options = [],
        private string $unit = '',
        private ?Bounds $bounds = null,
        private string $about = '',
    ) {
    }

    /** @param  array<string, mixed>  $options  label => value, or label => [value, what it means] */
    public static function options(string $key, string $label, array $options): self
    {
        $listed = [];
        foreach ($options as $name => $option) {
            [$value, $about] = is_array($option) ? $option : [$option, ''];
            $listed[] = ['label' => (string) $name, 'value' => $value, 'about' => is_string($about) ? $about : ''];
        }

        return new self($key, $label, 'options', $listed);
    }

    public static function number(string $key, string $label, string $unit, Bounds $bounds, string $about = ''): self
    {
        return new self(key: $key, label: $label, kind: 'number', options: [], unit: $unit, bounds: $bounds, about: $about);
    }

    public static function text(string $key, string $label, string $about): self
    {
        return new self($key, $label, 'text', about: $about);
    }

    public static function switched(string $key, string $label, string $about = ''): self
    {
        return new self($key, $label, 'switch', about: $about);
    }

    /** @return array<string, mixed> as resources/schema/choices.json has it */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'kind' => $this->kind,
            'options' => $this->options,
            'unit' => $this->unit,
            'least' => $this->bounds?->least,
            'most' => $this->bounds?->most,
            'step' => $this->bounds?->step,
            'about' => $this->about,
        ];
    }
}
