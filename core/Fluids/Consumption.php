<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

/** What an engine uses between checks: litres put in over the distance driven, L per 1 000 km. */
final readonly class Consumption
{
    private const LEAST_KM = 100.0;

    private function __construct(public float $litres, public float $kilometres)
    {
    }

    /**
     * The first entry is where counting begins, so what was poured then does not count.
     *
     * @param list<array{km: float, litres: float}> $added in the order of the distance
     */
    public static function of(array $added): ?self
    {
        if (count($added) < 2) {
            return null;
        }
        $kilometres = $added[count($added) - 1]['km'] - $added[0]['km'];

        return $kilometres < self::LEAST_KM ? null : new self(array_sum(array_column(array_slice($added, 1), 'litres')), $kilometres);
    }

    public function perThousand(): float
    {
        return 1000 * $this->litres / $this->kilometres;
    }
}
