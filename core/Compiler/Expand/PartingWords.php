<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Expand;

use NimbleKnuckle\Core\Procedure\Supply;
use NimbleKnuckle\Core\Vehicle\EndKind;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\ItemEnd;

/** What is said of the ends of an item and of what stands open: closed at once when it comes off, proved when it goes back. */
final readonly class PartingWords
{
    /** What is capped as soon as it opens; a coolant port once it has run out. */
    private const CLOSED = ['intake', 'turbo', 'cylinder', 'oil', 'fuel'];
    private const COOLANT = 'coolant';
    public const CAPS = 'caps and plugs for openings';

    public static function off(Item $item): string
    {
        $open = self::open($item);

        return implode(' ', array_filter([
            [] === $open ? '' : sprintf(
                'The %s %s open then: a cap or plug in it at once, no rag.', implode(' and the ', $open),
                count($open) > 1 ? 'stand' : 'stands',
            ),
            !in_array(self::COOLANT, $item->parting->opens, true) ? ''
                : 'What coolant is left in it runs into the can; then a cap on each open port.',
            ...array_map(static fn (ItemEnd $end): string => !self::hangs($end) ? '' : sprintf(
                'Cap the %s, both sides: it hangs open.', $end->name,
            ), $item->parting->ends),
        ]));
    }

    public static function on(Item $item): string
    {
        $open = self::open($item);

        return implode(' ', array_filter([
            [] === $item->parting->opens ? '' : 'Caps out just before.',
            ...array_map(static fn (ItemEnd $end): string => match (true) {
                'brake' === $end->guards => sprintf('%s on, tugged; the pedal is proved before it moves.', ucfirst($end->name)),
                self::isSealed($end) => ucfirst($end->name).' on with new washers, to its figure.',
                self::hangs($end) => sprintf('%s on to its stop, clip or coupling home, tugged.', ucfirst($end->name)),
                EndKind::Plug === $end->kind => sprintf(
                    '%s until %s, tugged.', ucfirst($end->name), $end->count > 1 ? 'they click' : 'it clicks',
                ),
                default => '',
            }, $item->parting->ends),
        ]));
    }

    /** @return list<string> */
    public static function tools(Item $item): array
    {
        $hangs = [] !== array_filter($item->parting->ends, self::hangs(...));

        return $hangs || [] !== $item->parting->opens ? [self::CAPS] : [];
    }

    /** @return list<Supply> a washer on each side of every union or banjo that is undone */
    public static function parts(Item $item): array
    {
        return array_values(array_map(
            static fn (ItemEnd $end): Supply => new Supply('sealing washers, '.$end->name, (string) (2 * $end->count), 'new'),
            array_filter($item->parting->ends, self::isSealed(...)),
        ));
    }

    private static function isSealed(ItemEnd $end): bool
    {
        return EndKind::Line === $end->kind && '' !== $end->joint;
    }

    /** @return list<string> */
    private static function open(Item $item): array
    {
        return array_values(array_intersect($item->parting->opens, self::CLOSED));
    }

    private static function hangs(ItemEnd $end): bool
    {
        return in_array($end->kind, [EndKind::Line, EndKind::Hose], true);
    }
}
