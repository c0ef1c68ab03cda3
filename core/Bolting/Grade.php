<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** Property class of a bolt. Stresses in MPa: ISO 898-1, ISO 3506-1, SAE J429; aluminium after EN 28839 class AL4. */
enum Grade: string
{
    case C46 = '4.6';
    case C56 = '5.6';
    case C58 = '5.8';
    case C88 = '8.8';
    case C109 = '10.9';
    case C129 = '12.9';
    case A270 = 'A2-70';
    case A480 = 'A4-80';
    case J2 = 'SAE 2';
    case J5 = 'SAE 5';
    case J8 = 'SAE 8';
    case Aluminium = 'aluminium';

    public static function parse(string $text): self
    {
        $clean = str_replace([' ', '-', '_'], '', mb_strtolower(trim($text)));
        foreach (self::cases() as $case) {
            if (str_replace([' ', '-'], '', mb_strtolower($case->value)) === $clean) {
                return $case;
            }
        }

        return match ($clean) {
            'grade2', 'j4292', '2' => self::J2,
            'grade5', 'j4295', '5' => self::J5,
            'grade8', 'j4298', '8' => self::J8,
            'a270', 'a470' => self::A270,
            'aluminum', 'alu', 'al4' => self::Aluminium,
            default => throw InvalidInput::in(
                'grade',
                sprintf(
                    '“%s” is not a grade we know: use %s.', InvalidQuantity::quote($text),
                    implode(', ', array_map(static fn (self $grade): string => $grade->value, self::cases())),
                ),
            ),
        };
    }

    /** Yield strength or 0.2 % proof stress, MPa. */
    public function yieldStress(): float
    {
        return match ($this) {
            self::C46 => 240.0,
            self::C56 => 300.0,
            self::C58 => 420.0,
            self::C88 => 640.0,
            self::C109 => 940.0,
            self::C129 => 1100.0,
            self::A270 => 450.0,
            self::A480 => 600.0,
            self::J2 => 393.0,
            self::J5 => 634.0,
            self::J8 => 896.0,
            self::Aluminium => 290.0,
        };
    }

    /** Tensile strength, MPa. */
    public function tensileStrength(): float
    {
        return match ($this) {
            self::C46 => 400.0,
            self::C56 => 500.0,
            self::C58 => 520.0,
            self::C88 => 800.0,
            self::C109 => 1040.0,
            self::C129 => 1220.0,
            self::A270 => 700.0,
            self::A480 => 800.0,
            self::J2 => 510.0,
            self::J5 => 827.0,
            self::J8 => 1034.0,
            self::Aluminium => 420.0,
        };
    }

    /** Young's modulus, MPa: steel 207 GPa, aluminium 71 GPa (Shigley, table A-5). */
    public function modulus(): float
    {
        return self::Aluminium === $this ? 71_000.0 : 207_000.0;
    }

    /** @return array<string, string> */
    public static function choices(): array
    {
        return array_combine(array_column(self::cases(), 'value'), array_column(self::cases(), 'value'));
    }
}
