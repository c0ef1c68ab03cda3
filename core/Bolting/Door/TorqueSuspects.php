<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\Statements;
use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;

/** The slips that would explain why two statements of one torque disagree; each is named only where it does explain them. */
final readonly class TorqueSuspects
{
    /** @return list<Check> */
    public static function between(Figure $a, Figure $b): array
    {
        return array_values(array_filter([
            self::inchForFoot($a, $b),
            self::convertedWrongWay($a, $b),
            self::convertedTwice($a, $b),
            self::notConverted($a, $b),
            self::digitsSwapped($a, $b),
            self::pointLost($a, $b),
        ]));
    }

    private static function inchForFoot(Figure $a, Figure $b): ?Check
    {
        foreach ([[$a, $b], [$b, $a]] as [$suspect, $other]) {
            $read = match ($suspect->unit) {
                Unit::PoundFoot => Unit::PoundInch,
                Unit::PoundInch => Unit::PoundFoot,
                default => null,
            };
            if (null !== $read && self::agreesScaled($suspect, $read->factor() / $suspect->unit->factor(), $other)) {
                return Check::watch(
                    'inch-pound-for-foot-pound',
                    sprintf('“%s” may be meant in %s: then the two agree.', $suspect->text, $read->symbol()),
                );
            }
        }

        return null;
    }

    private static function convertedWrongWay(Figure $a, Figure $b): ?Check
    {
        $ratio = $b->unit->factor() / $a->unit->factor();
        if ($a->unit === $b->unit || !self::agreesScaled($a, $ratio ** 2, $b)) {
            return null;
        }

        return Check::watch('converted-wrong-way', sprintf(
            'Converted the wrong way: %s %s is %.1f %s. Swap the units and the two agree.',
            self::number($a), $b->unit->symbol(), $a->written() * $ratio, $a->unit->symbol(),
        ));
    }

    private static function convertedTwice(Figure $a, Figure $b): ?Check
    {
        $ratio = $a->unit->factor() / $b->unit->factor();
        if ($a->unit === $b->unit) {
            return null;
        }
        foreach ([[$a, $b, $ratio], [$b, $a, 1 / $ratio]] as [$from, $to, $step]) {
            if (self::agreesScaled($from, $step, $to)) {
                return Check::watch(
                    'converted-twice',
                    sprintf(
                        'Converted twice: %s %s is %.1f %s, and that number was converted once more.', self::number($from),
                        $from->unit->symbol(), $from->written() * $step, $to->unit->symbol(),
                    ),
                );
            }
        }

        return null;
    }

    private static function notConverted(Figure $a, Figure $b): ?Check
    {
        return $a->unit !== $b->unit && abs($a->written() - $b->written()) < 1e-9
            ? Check::watch('not-converted', 'The same number stands with two units: one of them was never converted.')
            : null;
    }

    private static function digitsSwapped(Figure $a, Figure $b): ?Check
    {
        foreach ([[$a, $b], [$b, $a]] as [$suspect, $other]) {
            foreach (self::swaps(self::number($suspect)) as $swapped) {
                $factor = $suspect->written() > 0 ? (float) $swapped / $suspect->written() : 0.0;
                if ($factor > 0 && self::agreesShifted($suspect, $factor, $other)) {
                    return Check::watch('digits-swapped', sprintf('“%s” may be %s with two digits swapped.', $suspect->text, $swapped));
                }
            }
        }

        return null;
    }

    private static function pointLost(Figure $a, Figure $b): ?Check
    {
        foreach ([[$a, $b], [$b, $a]] as [$suspect, $other]) {
            if (str_contains(self::number($suspect), '.')) {
                continue;
            }
            foreach ([0.1, 0.01] as $factor) {
                if (self::agreesScaled($suspect, $factor, $other)) {
                    return Check::watch(
                        'decimal-point-lost',
                        sprintf(
                            '“%s” may have lost its decimal point: %s %s.', $suspect->text,
                            rtrim(rtrim(sprintf('%.3F', $suspect->written() * $factor), '0'), '.'), $suspect->unit->symbol(),
                        ),
                    );
                }
            }
        }

        return null;
    }

    /** @return list<string> the number with each pair of neighbouring unlike digits exchanged */
    private static function swaps(string $digits): array
    {
        $found = [];
        for ($i = 0; $i < strlen($digits) - 1; ++$i) {
            if (ctype_digit($digits[$i]) && ctype_digit($digits[$i + 1]) && $digits[$i] !== $digits[$i + 1]) {
                $swapped = $digits;
                [$swapped[$i], $swapped[$i + 1]] = [$digits[$i + 1], $digits[$i]];
                $found[] = $swapped;
            }
        }

        return $found;
    }

    private static function number(Figure $figure): string
    {
        return rtrim(rtrim(sprintf('%.4F', $figure->written()), '0'), '.');
    }

    private static function agreesScaled(Figure $suspect, float $factor, Figure $other): bool
    {
        return Statements::overlap($suspect->lowest() * $factor, $suspect->highest() * $factor, $other->lowest(), $other->highest());
    }

    /** Another number written as finely: the half step stays what it was. */
    private static function agreesShifted(Figure $suspect, float $factor, Figure $other): bool
    {
        $value = $suspect->value() * $factor;

        return Statements::overlap($value - $suspect->halfStep, $value + $suspect->halfStep, $other->lowest(), $other->highest());
    }
}
