<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** One thing a sum looked at, with a stable code and a sentence. */
final readonly class Check
{
    public function __construct(public string $code, public Level $level, public string $text)
    {
    }

    public static function ok(string $code, string $text): self
    {
        return new self($code, Level::Ok, $text);
    }

    public static function watch(string $code, string $text): self
    {
        return new self($code, Level::Watch, $text);
    }

    public static function stop(string $code, string $text): self
    {
        return new self($code, Level::Stop, $text);
    }
}
