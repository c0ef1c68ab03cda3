<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\State\Reading;

/** What is in turn: a caution, a piece, a reading; what was opened, and what goes to waste. */
final readonly class InTurn implements Shown
{
    /**
     * @param array{index: int, text: string}|null $caution
     * @param list<AskView> $asks
     * @param list<string> $opened
     */
    public function __construct(
        public ?array $caution,
        public string $put,
        public ?TrayView $tray,
        public ?AskView $ask,
        public array $asks,
        public array $opened,
        public ?Reading $wasted,
    ) {
    }
}
