<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChainDrive;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Length;

/**
 * Tensioner or chain: a plunger that stands further out than the maker allows takes up a chain that has grown, and no new
 * tensioner mends that. One inside its limit that lets the chain rattle does not hold its oil. mm and s; shares and seconds are
 * working values, the limit is the maker's.
 */
final readonly class ChainTravel
{
    /** Of the limit, from which a chain is at the end of its life. */
    public const NEAR = 0.85;
    /** s of rattle from cold: up to the first is filling with oil, past the second the oil has run out. */
    private const FILLS = 1.0;
    private const EMPTY = 3.0;

    /** @param Formula $used of the maker's limit, of one */
    private function __construct(public ChainFault $fault, public Formula $used, public Length $left, public bool $isLate)
    {
    }

    /**
     * @param ?float $rattle s after a cold start; null where nobody timed it
     * @param bool $sinks filled with oil, it gives way under a thumb
     */
    public static function of(Length $travel, Length $limit, ?float $rattle, bool $sinks): self
    {
        $used = Formula::of('travel/limit', ['travel' => $travel->millimetres, 'limit' => $limit->millimetres]);
        $fault = match (true) {
            $used->value > 1.0 => ChainFault::Chain,
            $sinks, ($rattle ?? 0.0) > self::EMPTY => ChainFault::Tensioner,
            $used->value >= self::NEAR => ChainFault::ChainSoon,
            default => ChainFault::None,
        };

        return new self(
            $fault, $used, Length::millimetres($limit->millimetres - $travel->millimetres), ($rattle ?? 0.0) > self::FILLS,
        );
    }
}
