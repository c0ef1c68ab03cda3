<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

/** How labels stand on a page of A4: plain paper to be cut, or a sheet of labels; in mm. */
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

    /** @return array{float, float} width and height of one */
    public function size(): array
    {
        return match ($this) {
            self::Cut => [95.0, 54.0],
            self::ThreeByEight => [70.0, 37.0],
            self::TwoBySeven => [99.0, 38.0],
        };
    }

    /** @return array{float, float} left and top edge of the first one */
    public function origin(): array
    {
        return match ($this) {
            self::Cut => [10.0, 13.0],
            self::ThreeByEight => [0.0, 0.5],
            self::TwoBySeven => [6.0, 15.0],
        };
    }
}
