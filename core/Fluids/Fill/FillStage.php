<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Fill;

/**
 * One stage of a fill routine: what to do, how long it has to stand (s), what is read off at its end, and how the
 * circuit looks meanwhile.
 */
final readonly class FillStage
{
    /**
     * @param string $done what is said when it is over and the next begins
     * @param int $seconds to wait before that; 0 for none
     * @param string $ask the field of the step's reading that ends it; empty for none
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $text,
        public string $done,
        public int $seconds = 0,
        public string $ask = '',
        public Again $again = new Again(),
        public Look $look = new Look(),
    ) {
    }

    public function does(string $what): bool
    {
        return in_array($what, $this->look->shows, true);
    }
}
