<?php

namespace App\Http\Api;

use Attribute;

/** What an action of the API takes and answers, for the OpenAPI document and the page's types. */
#[Attribute(Attribute::TARGET_METHOD)]
final readonly class Operation
{
    /**
     * @param  string|null  $answer  schema in resources/schema; null for a file or no content
     * @param  string|null  $request  schema of the body; null for none
     * @param  int  $status  of a good answer
     * @param  int|null  $otherStatus  of a good answer, too
     * @param  list<string>  $query  names of parameters after the “?”
     * @param  string|null  $media  type of an answer that is a file
     * @param  string|null  $body  media type of a body that is a file
     * @param  bool  $isBodyRequired  false if the action does without a body, too
     */
    public function __construct(
        public ?string $answer = null,
        public ?string $request = null,
        public int $status = 200,
        public array $query = [],
        public ?string $media = null,
        public ?string $body = null,
        public bool $isBodyRequired = true,
        public ?int $otherStatus = null,
    ) {
    }

    /** @return list<int> */
    public function statuses(): array
    {
        return array_values(array_filter([$this->status, $this->otherStatus]));
    }
}
