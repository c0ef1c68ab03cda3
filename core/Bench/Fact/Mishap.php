<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** Something went wrong, and steps were given that mend it, one way. */
final readonly class Mishap implements Fact
{
    public function __construct(
        public string $step, public string $mishap, public string $said, public string $way, public string $how, public string $what,
        public string $thing = '', public string $item = '', public string $joint = '',
    ) {
    }
}
