<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** What a program of the engine is asked to do: a list of arguments, which no shell ever sees. */
final readonly class Command
{
    /** How the encoder is asked to say how far it is, four times a second (ProgressReader reads it). */
    private const PROGRESS = ['-hide_banner', '-nostdin', '-v', 'error', '-y', '-progress', 'pipe:1', '-stats_period', '0.25'];

    /** @param  list<string>  $arguments  after the program's name */
    private function __construct(public Program $program, public Allowance $allowance, public array $arguments)
    {
    }

    /** @param  list<string>  $arguments  from the inputs on */
    public static function encode(Allowance $allowance, array $arguments): self
    {
        return new self(Program::Encoder, $allowance, [...self::PROGRESS, ...$arguments]);
    }

    /** @param  list<string>  $arguments */
    public static function ask(Program $program, array $arguments, Allowance $allowance = Allowance::Look): self
    {
        return new self($program, $allowance, $arguments);
    }
}
