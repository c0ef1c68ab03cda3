<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;

/**
 * What is lost between the battery and the starter while it cranks: the feed leg, the earth leg, and what the battery itself gives way.
 * V, A, mΩ, °C. Limits are those of common trade practice; the table of cranking voltages is by the warmth of the battery.
 */
final readonly class VoltDrop
{
    public const FEED = 0.5;
    public const GROUND = 0.2;
    /** V at rest, from which a battery is charged enough to be judged. */
    public const CHARGED = 12.4;
    /** V at rest, over which it still has the charger on its surface. */
    public const SURFACE = 12.9;
    private const FULL = ['flooded' => 12.65, 'agm' => 12.8];
    private const QUARTER = 0.2;

    private function __construct(
        public float $rest, public float $crank, public Formula $fed, public float $ground, public float $least, public Formula $charged,
    ) {
    }

    /**
     * @param float $stud battery terminal of the solenoid to the starter’s case
     * @param float $ground case to battery minus
     */
    public static function of(float $rest, float $crank, float $stud, float $ground, float $celsius, string $kind): self
    {
        $feed = Formula::of('crank − stud − earth', [
            'crank' => $crank, 'stud' => $stud, 'earth' => Term::of($ground, 'V', 3),
        ]);

        return new self($rest, $crank, $feed, $ground, self::keeps($celsius), self::chargeFormula($rest, $kind));
    }

    /** V. */
    public function feed(): float
    {
        return $this->fed->value;
    }

    /** Percent, by the voltage at rest. */
    public function charge(): float
    {
        return max(0.0, min(100.0, $this->charged->value));
    }

    public function isTired(): bool
    {
        return $this->crank < $this->least - 1e-9;
    }

    /** Percent of what is lost in the two legs. */
    public function share(float $drop): float
    {
        $lost = $this->feed() + $this->ground;

        return $lost > 1e-9 ? 100 * $drop / $lost : 0.0;
    }

    /** V a good battery keeps at that warmth; on the straight pieces between the rows, level outside them. */
    public static function keeps(float $celsius): float
    {
        $rows = self::rows();
        foreach ($rows as $i => [$at, $volts]) {
            if ($celsius >= $at) {
                [$warmer, $more] = $rows[$i - 1] ?? [$at + 1, $volts];

                return $volts + ($more - $volts) * min(1.0, ($celsius - $at) / ($warmer - $at));
            }
        }

        return $rows[count($rows) - 1][1] ?? 0.0;
    }

    /** @return list<array{float, float}> °C, and V it has to keep while it cranks; the warmest first */
    private static function rows(): array
    {
        return [[21.0, 9.6], [16.0, 9.5], [10.0, 9.4], [4.0, 9.3], [-1.0, 9.1], [-7.0, 8.9], [-18.0, 8.5]];
    }

    /** Percent, before it is held between nothing and all. */
    private static function chargeFormula(float $rest, string $kind): Formula
    {
        return Formula::of('100 − 25 (full − rest)/quarter', [
            'full' => self::FULL[$kind] ?? self::FULL['flooded'], 'rest' => $rest, 'quarter' => Term::fixed(self::QUARTER),
        ]);
    }
}
