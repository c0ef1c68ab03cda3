<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Tightening\Layout;

/** Where the bolts sit, what the card says beside each, and in which order they are tightened: each place a ring of its own. */
final readonly class Pattern
{
    /**
     * @param Layout $layout all of them, place beside place
     * @param list<string> $labels what the card says beside each fastener, in order
     * @param list<int> $first fasteners tightened before the others, the big one among small ones
     * @param list<string> $places the like places it has, each with the whole layout; empty for one that needs no name
     * @param list<int> $order
     */
    private function __construct(
        public Layout $layout, public string $outline, public array $labels, public array $first, public array $places,
        private array $order,
    ) {
    }

    public static function read(Node $node): self
    {
        try {
            $layout = Layout::parse($node->raw()['layout'] ?? null);
        } catch (InvalidInput $e) {
            throw $node->refuse('layout', $e->getMessage());
        }

        $places = $node->strings('places');
        count($places) === count(array_unique($places)) || throw $node->refuse('places', 'each place needs a name of its own.');
        [$times, $labels, $first] = [max(1, count($places)), $node->strings('labels'), self::firstOf($node, $layout)];
        $times * $layout->count() <= 120 || throw $node->refuse('places', 'a joint has 1 to 120 fasteners, all its places together.');
        $order = [...$first, ...array_values(array_diff($layout->order(), $first))];

        return new self(
            $layout->times($times), $node->string('outline', 'plate'), self::labelled($places, $labels, $layout->count()),
            self::inEach($first, $times, $layout->count()), $places, self::inEach($order, $times, $layout->count()),
        );
    }

    public function count(): int
    {
        return $this->layout->count();
    }

    /** @return list<int> place by place: those that go first, then the others as the layout says */
    public function order(): array
    {
        return $this->order;
    }

    /** How many fasteners one place has. */
    public function each(): int
    {
        return intdiv($this->count(), max(1, count($this->places)));
    }

    /**
     * @param list<int> $numbers of one place
     *
     * @return list<int> the same in each
     */
    private static function inEach(array $numbers, int $times, int $count): array
    {
        $all = [];
        for ($place = 0; $place < $times; ++$place) {
            foreach ($numbers as $number) {
                $all[] = $place * $count + $number;
            }
        }

        return $all;
    }

    /**
     * @param list<string> $places
     * @param list<string> $labels
     *
     * @return list<string> with the place at the first fastener of each
     */
    private static function labelled(array $places, array $labels, int $count): array
    {
        $all = [] === $places ? $labels : [];
        foreach ($places as $place) {
            for ($i = 0; $i < $count; ++$i) {
                $all[] = 0 === $i && !isset($labels[$i]) ? $place : $labels[$i] ?? '';
            }
        }

        return $all;
    }

    /** @return list<int> */
    private static function firstOf(Node $node, Layout $layout): array
    {
        $first = array_values(array_unique(array_map(intval(...), $node->floats('first'))));
        foreach ($first as $bolt) {
            $bolt >= 1 && $bolt <= $layout->count() || throw $node->refuse(
                'first', sprintf('the fasteners are numbered 1 to %d.', $layout->count()),
            );
        }

        return $first;
    }
}
