<?php

declare(strict_types=1);

namespace OuterCrate\Documents;

use InvalidArgumentException;
use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;
use OuterCrate\Reading\Reading;
use OuterCrate\Transit\Candidate;

/** A candidate of a transit test as it is stored. */
final readonly class CandidateDocument
{
    public function __construct(private PlanDocument $plans)
    {
    }

    /** @return array<string, mixed> to be kept as JSON */
    public function write(Candidate $candidate): array
    {
        return [
            'name' => $candidate->name,
            'plan' => $this->plans->write($candidate->plan),
            'bytes' => $candidate->bytes,
            'making' => $candidate->making,
            'sending' => $candidate->sending,
            'master' => $candidate->master === null ? null : $this->plans->write($candidate->master),
            'sampled' => $candidate->sampled,
        ];
    }

    /**
     * @param  array<mixed>  $document
     * @param  Reading  $reading  of the cut
     *
     * @throws UnreadableDocument
     */
    public function read(array $document, Reading $reading): Candidate
    {
        $fields = new Fields($document);
        try {
            return new Candidate(
                name: $fields->needText('name'),
                plan: $this->plans->read($fields->within('plan')->all(), $reading)->plan,
                bytes: $fields->needInt('bytes'),
                making: $fields->float('making') ?? throw new MissingPart('making'),
                sending: $fields->float('sending') ?? throw new MissingPart('sending'),
                master: $fields->has('master') ? $this->plans->read($fields->within('master')->all(), $reading)->plan : null,
                sampled: $fields->bool('sampled') ?? false,
            );
        } catch (InvalidArgumentException $e) {
            throw UnreadableDocument::because('candidate', $e);
        }
    }
}
