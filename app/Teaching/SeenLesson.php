<?php

namespace App\Teaching;

use App\Transit\Reel;
use OuterCrate\Teaching\Lesson;

/** An upload with what came back of it, read and measured. */
final readonly class SeenLesson
{
    /**
     * @param  Reel  $reel  pieces of the upload, without loss
     * @param  list<MeasuredRendition>  $renditions  the largest first
     * @param  Lesson  $lesson  the same in short
     */
    public function __construct(public SeenFile $upload, public Reel $reel, public array $renditions, public Lesson $lesson)
    {
    }
}
