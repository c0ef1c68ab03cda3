<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

/** A layout with its order: the card's geometry, the place of each fastener in the order, the way the hand takes. */
final readonly class OrderDrawing
{
    /**
     * @param array<int, int> $placeOf bolt => its place in the order, from 1
     * @param string $way SVG points
     */
    private function __construct(public CardGeometry $card, public array $placeOf, public string $way)
    {
    }

    /** @param list<int> $order bolts from 1 */
    public static function of(Layout $layout, array $order): self
    {
        $card = CardGeometry::of($layout, 8.0);
        $placeOf = [];
        foreach ($order as $i => $bolt) {
            $placeOf[$bolt] = $i + 1;
        }
        $way = implode(
            ' ',
            array_map(
                static fn (int $bolt): string => sprintf('%.2F,%.2F', $card->points[$bolt - 1][0], $card->points[$bolt - 1][1]),
                $order,
            ),
        );

        return new self($card, $placeOf, $way);
    }
}
