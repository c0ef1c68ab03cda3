<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

/** How labels stand on a page of A4: plain paper to be cut, or a sheet of labels. Its measures stand in labels_….css. */
enum LabelSheet: string
{
    case Cut = 'cut';
    case ThreeByEight = '3x8';
    case TwoBySeven = '2x7';

    public function label(): string
    {
        return match ($this) {
            self::Cut => 'plain paper, to be cut',
            self::ThreeByEight => 'label sheet, 3 by 8 (70 × 37 mm)',
            self::TwoBySeven => 'label sheet, 2 by 7 (99 × 38 mm)',
        };
    }

    public function across(): int
    {
        return self::ThreeByEight === $this ? 3 : 2;
    }

    public function down(): int
    {
        return match ($this) {
            self::Cut => 5,
            self::ThreeByEight => 8,
            self::TwoBySeven => 7,
        };
    }
}
