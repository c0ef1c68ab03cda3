<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Volume;

/** What a millimetre of the dipstick is worth, learned from pours between two dips: least squares through nought, L a mm. */
final readonly class DipScale
{
    private const LEAST_RISE = 2.0;

    private function __construct(public float $litrePerMm, public int $pairs)
    {
    }

    /**
     * @param list<array{litres: float, before: float, after: float}> $pours litres between two dips in mm; a rise under 2 mm says nothing
     */
    public static function learn(array $pours): ?self
    {
        $usable = array_values(
            array_filter($pours, static fn (array $p): bool => $p['litres'] > 0 && $p['after'] - $p['before'] >= self::LEAST_RISE),
        );
        if ([] === $usable) {
            return null;
        }
        $top = $bottom = 0.0;
        foreach ($usable as $pour) {
            $rise = $pour['after'] - $pour['before'];
            $top += $pour['litres'] * $rise;
            $bottom += $rise ** 2;
        }

        return new self($top / $bottom, count($usable));
    }

    /** @param float $litrePerMm as somebody learned it */
    public static function told(float $litrePerMm): self
    {
        return new self($litrePerMm, 0);
    }

    /** From one dip up to another; below nothing where it is the lower. */
    public function between(Length $from, Length $to): Volume
    {
        return Volume::litres($to->minus($from)->millimetres * $this->litrePerMm);
    }
}
