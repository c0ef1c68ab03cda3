<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Told;

/** A reading by its name: what was measured, what was written, what it is held against, by whom and when. */
final readonly class ReadingTold
{
    /** @param string $limits as they are said, “21 to 23 N·m”; empty where it is held against nothing */
    public function __construct(
        public string $step, public string $stepTitle, public string $label, public string $text, public string $limits,
        public bool $isOutside, public string $by, public \DateTimeImmutable $at,
    ) {
    }
}
