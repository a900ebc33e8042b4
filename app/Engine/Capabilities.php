<?php

namespace App\Engine;

use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\Cache;
use OuterCrate\Encoding\Commands\CapabilityCommand;
use OuterCrate\Formats\Video\HardwareEncoders;

/** What the engine on this machine can do: asked once for each build of it, and kept. */
class Capabilities
{
    public function __construct(private readonly Runner $runner)
    {
    }

    /** What the engine says it is; null when it is missing. */
    public function version(): ?string
    {
        return $this->asked()['version'] ?? null;
    }

    /** @return list<string>|null the engine's encoders; null when it is missing */
    public function encoders(): ?array
    {
        return $this->asked()['encoders'] ?? null;
    }

    /** @throws EngineFailed when the engine is missing */
    public function need(): void
    {
        if ($this->encoders() === null) {
            throw EngineFailed::missing((string) config('crate.engine.encoder'));
        }
    }

    /**
     * Encoders in graphics chips that make a frame here. Being built in says nothing: each is tried, once a day.
     *
     * @return list<string>
     */
    public function hardware(): array
    {
        $build = self::build();
        $built = array_values(array_intersect(HardwareEncoders::all(), $this->encoders() ?? []));
        if ($built === [] || $build === null) {
            return [];
        }
        $try = fn (): array => array_values(array_filter(
            $built,
            fn (string $encoder): bool => $this->runner->succeeds(CapabilityCommand::trial($encoder)),
        ));
        $works = $this->kept("hardware:{$build}", 86_400, $try);
        // What worked last is known until the next trial, however long that takes.
        $this->store()->forever("hardware-known:{$build}", $works);

        return $works;
    }

    /**
     * Those that were tried and found to work: nothing is tried here, which a request could not wait for.
     *
     * @return list<string>
     */
    public function knownHardware(): array
    {
        $known = $this->store()->get('hardware-known:'.self::build());

        return is_array($known) ? array_values(array_filter($known, is_string(...))) : [];
    }

    /** @return array{version: string, encoders: list<string>}|array{} */
    private function asked(): array
    {
        $build = self::build();

        return $build === null ? [] : $this->kept("engine:{$build}", null, function (): array {
            preg_match('~^ffmpeg version (\S+)~', $this->runner->listen(CapabilityCommand::version()), $version);
            preg_match_all('~^ [VAS][A-Z.]{5} (\S+)~m', $this->runner->listen(CapabilityCommand::encoders()), $encoders);

            return ['version' => $version[1] ?? 'unknown', 'encoders' => $encoders[1]];
        });
    }

    /**
     * @param  int|null  $seconds  for ever when null
     * @param  \Closure(): array<mixed>  $ask
     * @return array<mixed>
     */
    private function kept(string $key, ?int $seconds, \Closure $ask): array
    {
        $store = $this->store();

        return $seconds === null ? $store->rememberForever($key, $ask) : $store->remember($key, $seconds, $ask);
    }

    /** Which build of the engine it is: another file is another one. Null when it is missing. */
    private function store(): Repository
    {
        return Cache::store((string) config('crate.engine.known'));
    }

    private static function build(): ?string
    {
        $path = Runner::locate((string) config('crate.engine.encoder'));

        return $path === null ? null : $path.':'.filemtime($path);
    }
}
