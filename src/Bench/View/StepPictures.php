<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\App\Photos\PhotoView;
use NimbleKnuckle\Core\Plan\Procedure\Shot;

/** Pictures of this step, how it was before, the one that is wanted, and the drawn ones to practise with. */
final readonly class StepPictures
{
    /**
     * @param list<PhotoView> $own
     * @param list<PhotoView> $was
     * @param string $usual what a picture taken here usually shows; empty for none of them
     * @param int $all how many the fit has
     * @param array<string, string> $samples name => what it shows; none outside a demo
     */
    public function __construct(
        public array $own,
        public array $was,
        public ?Shot $wanted,
        public string $usual,
        public int $all,
        public array $samples,
    ) {
    }
}
