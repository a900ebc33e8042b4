<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

/** Reads what a decoder must keep from the first sequence parameter set of H.264 (ISO/IEC 14496-10, 7.3.2.1.1). */
final class AvcParameters
{
    private int $bit = 0;

    private function __construct(private readonly string $bytes)
    {
    }

    /**
     * Number of reference frames (max_num_ref_frames).
     *
     * @param  string  $configuration  avcC record, or NAL units behind start codes
     */
    public static function references(string $configuration): ?int
    {
        $set = match (true) {
            preg_match('~\x00\x00\x01[\x07\x27\x47\x67](.{4,256})~s', $configuration, $m) === 1 => $m[1],
            strlen($configuration) > 12 && $configuration[0] === "\x01" => substr($configuration, 9, 256),
            default => null,
        };

        // 00 00 03 stands for 00 00 inside a NAL unit (7.4.1.1).
        return $set === null ? null : (new self(str_replace("\x00\x00\x03", "\x00\x00", $set)))->read();
    }

    private function read(): ?int
    {
        $profile = $this->bits(8);
        $this->bits(16);
        $this->golomb();
        if (in_array($profile, [100, 110, 122, 244, 44, 83, 86, 118, 128, 138, 139, 134, 135], true)) {
            $chroma = $this->golomb();
            if ($chroma === 3) {
                $this->bits(1);
            }
            $this->golomb();
            $this->golomb();
            $this->bits(1);
            if ($this->bits(1) === 1) {
                for ($list = 0; $list < ($chroma === 3 ? 12 : 8); $list++) {
                    $this->skipScalingList($list < 6 ? 16 : 64);
                }
            }
        }
        $this->golomb();
        $order = $this->golomb();
        if ($order === 0) {
            $this->golomb();
        } elseif ($order === 1) {
            $this->bits(1);
            $this->golomb();
            $this->golomb();
            for ($i = min(255, $this->golomb()); $i > 0; $i--) {
                $this->golomb();
            }
        }
        $references = $this->golomb();

        // A.3.1: no level allows more than 16.
        return $this->bit > strlen($this->bytes) * 8 || $references > 16 ? null : $references;
    }

    private function skipScalingList(int $size): void
    {
        if ($this->bits(1) === 0) {
            return;
        }
        $last = 8;
        $next = 8;
        for ($i = 0; $i < $size; $i++) {
            if ($next !== 0) {
                $code = $this->golomb();
                $next = ($last + ($code % 2 === 1 ? intdiv($code + 1, 2) : -intdiv($code, 2)) + 256) % 256;
            }
            $last = $next === 0 ? $last : $next;
        }
    }

    private function bits(int $count): int
    {
        $value = 0;
        while ($count-- > 0) {
            $value = ($value << 1) | ((ord($this->bytes[$this->bit >> 3] ?? "\0") >> (7 - ($this->bit & 7))) & 1);
            $this->bit++;
        }

        return $value;
    }

    /** Unsigned Exp-Golomb code (9.1). */
    private function golomb(): int
    {
        $zeros = 0;
        while ($zeros < 32 && $this->bits(1) === 0) {
            $zeros++;
        }

        return (1 << $zeros) - 1 + $this->bits($zeros);
    }
}
