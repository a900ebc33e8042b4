<?php

namespace App\Library;

/** What the library keeps. */
enum Kind: string
{
    case Preset = 'preset';
    case Host = 'host';

    /** Of a file's `format`. */
    public function format(): string
    {
        return "outer-crate/{$this->value}";
    }

    public function plural(): string
    {
        return "{$this->value}s";
    }

    public static function ofFormat(string $format): ?self
    {
        return self::tryFrom(str_starts_with($format, 'outer-crate/') ? substr($format, strlen('outer-crate/')) : '');
    }
}
