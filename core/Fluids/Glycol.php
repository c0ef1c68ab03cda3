<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * What a coolant is made of, with its freezing and normal boiling points by volume percent. Source: ASHRAE
 * Fundamentals; linear between rows.
 */
enum Glycol: string
{
    case Ethylene = 'eg';
    case Propylene = 'pg';

    private const ETHYLENE = [
        [0.0, 0.0, 100.0], [4.4, -1.4, 100.6], [8.9, -3.2, 101.1], [13.6, -5.4, 101.7], [18.1, -7.8, 102.2], [22.9, -10.7, 103.3],
        [27.7, -14.1, 104.4],
        [32.6, -17.9, 105.0], [37.5, -22.3, 105.6], [42.5, -27.5, 106.7], [47.5, -33.8, 107.2], [52.7, -41.1, 108.3], [57.8, -48.3, 110.0],
    ];
    private const PROPYLENE = [
        [0.0, 0.0, 100.0], [4.8, -1.6, 100.0], [9.6, -3.3, 100.0], [14.5, -5.1, 100.0], [19.4, -7.1, 100.6], [24.4, -9.6, 101.1],
        [29.4, -12.7, 102.2],
        [34.4, -16.4, 102.8], [39.6, -21.1, 103.9], [44.7, -26.7, 104.4], [49.9, -33.5, 105.6], [55.0, -41.6, 106.1], [60.0, -51.1, 107.2],
    ];

    /** @throws InvalidInput for a base nobody knows */
    public static function named(string $text, string $field = 'base'): self
    {
        return match (preg_replace('~[^a-z]~', '', mb_strtolower($text))) {
            'eg', 'ethylene', 'ethyleneglycol', 'meg', 'monoethyleneglycol' => self::Ethylene,
            'pg', 'propylene', 'propyleneglycol', 'mpg', 'monopropyleneglycol' => self::Propylene,
            default => throw InvalidInput::in(
                $field,
                sprintf('“%s” is not a base known here: use eg (ethylene glycol) or pg (propylene glycol).', mb_substr($text, 0, 40)),
            ),
        };
    }

    /** What a vehicle sheet says of a circuit; ethylene glycol where it says nothing. */
    public static function ofCircuit(string $base): self
    {
        return self::tryFrom($base) ?? self::Ethylene;
    }

    public function inWords(): string
    {
        return self::Ethylene === $this ? 'ethylene glycol' : 'propylene glycol';
    }

    /**
     * @param float $percent by volume
     *
     * @return float °C
     *
     * @throws InvalidInput past the table
     */
    public function freezing(float $percent): float
    {
        return $this->at($percent, 1);
    }

    /** °C at 101.325 kPa. @throws InvalidInput past the table */
    public function normalBoiling(float $percent): float
    {
        return $this->at($percent, 2);
    }

    public function strongest(): float
    {
        $rows = $this->rows();

        return $rows[count($rows) - 1][0];
    }

    /** The strength that freezes at this temperature (°C); null where none in the table is enough. */
    public function strengthFor(float $freezing): ?float
    {
        $rows = $this->rows();
        foreach ($rows as $i => $row) {
            if ($row[1] <= $freezing) {
                $before = $rows[max(0, $i - 1)];

                return 0 === $i ? 0.0 : $before[0] + ($row[0] - $before[0]) * ($freezing - $before[1]) / ($row[1] - $before[1]);
            }
        }

        return null;
    }

    /** @return non-empty-list<array{float, float, float}> percent, freezing, normal boiling */
    public function rows(): array
    {
        return self::Ethylene === $this ? self::ETHYLENE : self::PROPYLENE;
    }

    private function at(float $percent, int $column): float
    {
        $rows = $this->rows();
        $percent <= $this->strongest() + 1e-9 || throw InvalidInput::in(
            'percent',
            sprintf(
                'The table for %s ends at %s %%: more concentrate than that protects less, not more. Use 40 to 60 %%.',
                $this->inWords(), $this->strongest(),
            ),
        );
        $before = $rows[0];
        foreach ($rows as $row) {
            if ($percent <= $row[0]) {
                $span = $row[0] - $before[0];

                return $span > 0.0
                    ? $before[$column] + ($row[$column] - $before[$column]) * ($percent - $before[0]) / $span
                    : $row[$column];
            }
            $before = $row;
        }

        return $before[$column];
    }
}
