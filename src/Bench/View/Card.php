<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\App\Devices\WrenchView;
use NimbleKnuckle\Core\Bench\Joint\TighteningStage;

/** The bolt card of a joint, and the pass it is at. */
final readonly class Card implements Shown
{
    /** @param list<string> $faults what was out of order */
    public function __construct(
        public ?BoltCardView $card = null,
        public ?TighteningStage $rung = null,
        public ?WrenchView $wrench = null,
        public array $faults = [],
    ) {
    }
}
