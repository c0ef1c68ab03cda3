<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Quantity\Unit;

/** What a check reads, and which answer each reading is: bands that follow one another without a gap, in the unit of the scale. */
final readonly class CauseScale
{
    /** Far apart enough that “over 0.2” begins after 0.2 itself. */
    private const HAIR = 1e-9;

    /** @param array<string, array{float, float}> $bands answer => low and high in the unit, both inside */
    private function __construct(public Kind $kind, public Unit $unit, public float $most, public array $bands)
    {
    }

    public static function read(Node $check): self
    {
        $node = $check->node('reads');
        $kind = $node->enum('kind', Kind::class);
        $sign = $node->string('unit', $kind->baseUnit()->value);
        $isNamed = static fn (Unit $one): bool => in_array($sign, [$one->value, $one->symbol()], true);
        $unit = array_values(array_filter($kind->units(), $isNamed))[0] ?? throw $node->refuse(
            'unit', sprintf('there is no such unit of %s.', $kind->value),
        );
        $most = $node->float('most');
        $bands = [];
        foreach ($check->nodes('answers') as $answer) {
            $bands[$answer->string('id')] = [
                $answer->has('over') ? $answer->float('over') + self::HAIR : $answer->float('from', 0.0),
                $answer->has('below') ? $answer->float('below') - self::HAIR : $answer->float('to', $most),
            ];
        }
        $edges = array_values($bands);
        sort($edges);
        $next = 0.0;
        foreach ($edges as [$low, $high]) {
            abs($low - $next) <= 3 * self::HAIR && $high > $low || throw $check->refuse(
                'answers', sprintf('of what is read each value is one answer; at %s it is none, or two.', round($next, 6)),
            );
            $next = $high;
        }
        abs($next - $most) <= 3 * self::HAIR || throw $check->refuse('answers', sprintf('nothing says what %s is.', $most));

        return new self($kind, $unit, $most, $bands);
    }

    /**
     * What was written, in the unit of the scale; a bare number is in it already.
     *
     * @throws InvalidQuantity where it cannot be read, or lies past the scale
     */
    public function value(string $text): float
    {
        $text = trim($text);
        $isBare = is_numeric(str_replace(',', '.', $text));
        if ($isBare && 0.0 === (float) str_replace(',', '.', $text)) {
            return 0.0;
        }
        $value = Notation::read($this->kind, $isBare ? $text.' '.$this->unit->value : $text)->quantity->in($this->unit);

        return $value <= $this->most ? $value : throw InvalidQuantity::absurd($this->kind, $text);
    }

    /**
     * As it was written, with the unit where none stood.
     *
     * @throws InvalidQuantity where it cannot be read, or lies past the scale
     */
    public function said(string $text): string
    {
        $this->value($text);

        return is_numeric(str_replace(',', '.', trim($text))) ? trim($text).Digits::GROUP.$this->unit->symbol() : trim($text);
    }

    public function answer(float $value): string
    {
        foreach ($this->bands as $answer => [$low, $high]) {
            if ($value >= $low - self::HAIR / 2 && $value <= $high + self::HAIR / 2) {
                return $answer;
            }
        }

        throw new \LogicException('The bands leave no gap.');
    }

    /**
     * Where a reading is another answer than this one, in the base unit of the kind; null where that is on both sides of it.
     *
     * @return ?array{float, float}
     */
    public function elsewhere(string $answer): ?array
    {
        [$low, $high] = $this->bands[$answer];
        $range = match (true) {
            $low <= self::HAIR => [round($high, 6), $this->most],
            $high >= $this->most - self::HAIR => [0.0, round($low, 6)],
            default => null,
        };

        return null === $range ? null : array_map(
            fn (float $one): float => Quantity::of($one, $this->unit)->in($this->kind->baseUnit()), $range,
        );
    }
}
