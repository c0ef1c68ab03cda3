<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Safety;

/**
 * One thing that stands in the way of a step: a stable code, what it is about, a sentence for a person, how hard, and the step where it is
 * mended. Two with one code about one thing are the same, however they are worded.
 */
final readonly class Obstacle
{
    public function __construct(public string $code, public string $text, public Bar $bar, public string $step, public string $about = '')
    {
    }

    /** @param list<self> $obstacles */
    public static function hardest(array $obstacles): Bar
    {
        return array_reduce($obstacles, static fn (Bar $bar, self $one): Bar => $bar->harder($one->bar), Bar::Note);
    }
}
