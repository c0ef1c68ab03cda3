<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Vehicle\JointMechanics;

/** What the next pull is made with, and what it does to the bolt. */
final readonly class Pull implements Shown
{
    public function __construct(
        public ?WrenchAdvice $advice = null,
        public ?SumResult $settingSaid = null,
        public float $pull = 0.0,
        public ?JointMechanics $mechanics = null,
        public string $mechanicsMissing = '',
        public ?SumResult $turned = null,
    ) {
    }
}
