<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sum\Level;

/** A flaw in a sheet: a stable code, how grave, at which step, why, and what would mend it. */
final readonly class Finding
{
    public function __construct(public string $code, public Level $level, public string $step, public string $why, public string $mend)
    {
    }

    public static function stop(string $code, string $step, string $why, string $mend): self
    {
        return new self($code, Level::Stop, $step, $why, $mend);
    }

    public static function watch(string $code, string $step, string $why, string $mend): self
    {
        return new self($code, Level::Watch, $step, $why, $mend);
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->string('code'), $node->enum('level', Level::class), $node->string('step', ''), $node->string('why'),
            $node->string('mend', ''),
        );
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return ['code' => $this->code, 'level' => $this->level->value, 'step' => $this->step, 'why' => $this->why, 'mend' => $this->mend];
    }
}
