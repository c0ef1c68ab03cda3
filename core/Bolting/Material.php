<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** What the bolt screws into. Shear strengths in MPa are working values at the low end of handbook ranges. */
enum Material: string
{
    case AluminiumCasting = 'aluminium casting';
    case AluminiumWrought = 'aluminium wrought';
    case CastIron = 'cast iron';
    case Magnesium = 'magnesium';
    case Steel = 'steel';
    case Brass = 'brass';

    /** @throws InvalidInput */
    public static function parse(string $text): self
    {
        return self::named($text) ?? throw InvalidInput::in(
            'material',
            sprintf(
                '“%s” is not a material we know: use %s.', InvalidQuantity::quote($text),
                implode(', ', array_map(static fn (self $m): string => $m->value, self::cases())),
            ),
        );
    }

    /** Null for one that is not known here. */
    public static function named(string $text): ?self
    {
        $clean = str_replace(['_', '-', 'aluminum'], [' ', ' ', 'aluminium'], mb_strtolower(trim($text)));

        return self::tryFrom($clean) ?? match ($clean) {
            'aluminium', 'cast aluminium', 'alu' => self::AluminiumCasting,
            'iron' => self::CastIron,
            default => null,
        };
    }

    public function shearStrength(): float
    {
        return match ($this) {
            self::AluminiumCasting => 145.0,
            self::AluminiumWrought => 190.0,
            self::CastIron => 230.0,
            self::Magnesium => 110.0,
            self::Steel => 320.0,
            self::Brass => 200.0,
        };
    }

    /** @return array<string, string> */
    public static function choices(): array
    {
        return array_combine(array_column(self::cases(), 'value'), array_column(self::cases(), 'value'));
    }
}
