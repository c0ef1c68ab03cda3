<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** What is clamped: E in GPa and the constants of its stiffness, Wileman, Choudhury & Green 1991 (as in Shigley). */
enum Member: string
{
    case Steel = 'steel';
    case Aluminium = 'aluminium';
    case CastIron = 'cast-iron';

    public static function parse(string $text): self
    {
        $clean = str_replace(['_', ' ', 'aluminum'], ['-', '-', 'aluminium'], mb_strtolower(trim($text)));

        return self::tryFrom($clean) ?? match ($clean) {
            'iron', 'grey-iron' => self::CastIron,
            'alu', 'aluminium-casting', 'aluminium-wrought' => self::Aluminium,
            default => throw InvalidInput::in(
                'member',
                sprintf(
                    '“%s” is not known here: use %s.', InvalidQuantity::quote($text),
                    implode(', ', array_column(self::cases(), 'value')),
                ),
            ),
        };
    }

    /** N/mm for a bolt of so many mm through so many mm of it. */
    public function stiffness(float $diameter, float $grip): Formula
    {
        [$modulus, $a, $b] = match ($this) {
            self::Steel => [207.0, 0.78715, 0.62873],
            self::Aluminium => [71.0, 0.79670, 0.63816],
            self::CastIron => [100.0, 0.77871, 0.61616],
        };

        return Formula::of('km = E d A exp(B d/l)', [
            'E' => 1000 * $modulus, 'd' => $diameter, 'A' => $a, 'B' => $b, 'l' => $grip,
        ]);
    }

    /** @return array<string, string> */
    public static function choices(): array
    {
        return ['steel' => 'steel', 'aluminium' => 'aluminium', 'cast-iron' => 'cast iron'];
    }
}
