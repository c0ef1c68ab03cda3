<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Origin;
use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Quantity\Stated;

/**
 * What a joint is tightened to, as it was written: a torque or a range of it, a ceiling, an angle further, or a part of a turn
 * from snug; which end of the range and why; where it stands and of which day. Torques in N·m, angles in degrees.
 */
final readonly class JointFigure
{
    public const ENDS = ['middle', 'low', 'high'];

    /**
     * @param ?Stated $read null where no torque was stated
     * @param string $end of the range: low, middle or high
     * @param string $because why that end: “soft thread”, “seating”, “sealing”
     * @param float $partTurn degrees from snug by hand, where no torque is stated; 0 for none
     * @param string $dated the day of the source, as “2026-03-01”; empty where nobody wrote it down
     */
    private function __construct(
        public string $stated,
        private ?Stated $read,
        public ?Figure $ceiling,
        public string $end,
        public string $because,
        public float $partTurn,
        public Origin $origin,
        public string $dated,
    ) {
    }

    public static function read(Node $node): self
    {
        $stated = $node->string('figure', '');
        $ceiling = $node->string('ceiling', '');
        $dated = $node->string('dated', '');
        '' === $dated || 1 === preg_match(
            '/\A\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])\z/', $dated,
        ) || throw $node->refuse('dated', 'a day is written as 2026-03-01.');
        $end = $node->string('end', 'middle');
        in_array($end, self::ENDS, true) || throw $node->refuse('end', 'say low, middle or high.');
        $turn = self::turn($node, $stated);
        $read = '' === $stated || $turn > 0.0 ? null : self::torque($node, 'figure', $stated);
        $limit = '' === $ceiling ? null : self::torque($node, 'ceiling', $ceiling)->low;
        null === $limit || null === $read || $read->low->value() <= $limit->value() || throw $node->refuse(
            'ceiling', sprintf('%s is past the ceiling of %s.', $stated, $ceiling),
        );
        $origin = $node->enum('origin', Origin::class, Origin::Entered);

        return new self($stated, $read, $limit, $end, $node->string('because', ''), $turn, $origin, $dated);
    }

    /** The same range aimed at its low or high end; where the vehicle sheet chose an end itself, that stands. */
    public function at(string $end, string $because): self
    {
        return !$this->isRange() || 'middle' !== $this->end ? $this : new self(
            $this->stated, $this->read, $this->ceiling, $end, $because, $this->partTurn, $this->origin, $this->dated,
        );
    }

    /** So many times the torque, as an estimate; nothing changes where there is none, or the ceiling would be passed. */
    public function times(float $factor): self
    {
        $read = $this->read?->times($factor, Origin::Estimated);
        if (null === $read || $read->low->value() > ($this->ceiling?->value() ?? \INF)) {
            return $this;
        }
        $said = $read->isRange() ? $read->low->text.' to '.$read->high->text : $read->low->text;

        return new self(
            $said.(null === $read->angle ? '' : ' + '.$read->angle->text), $read, $this->ceiling, $this->end, $this->because,
            $this->partTurn, Origin::Estimated, $this->dated,
        );
    }

    public function hasTorque(): bool
    {
        return null !== $this->read;
    }

    /** @return list<Figure> the figure, and the same in another unit where it was stated twice; none of a range */
    public function statements(): array
    {
        return null === $this->read || $this->read->isRange() ? [] : $this->read->figures();
    }

    public function isRange(): bool
    {
        return null !== $this->read && $this->read->isRange();
    }

    /** The lower end of the range; the figure itself where it is none. */
    public function low(): float
    {
        return $this->first()->low->value();
    }

    /** The upper end, and never past the ceiling. */
    public function high(): float
    {
        return min($this->first()->high->value(), $this->ceiling?->value() ?? \INF);
    }

    /** What is aimed at: the figure, or the end of the range that was chosen. */
    public function target(): float
    {
        return $this->within(0.0)->aim;
    }

    /** The same with a wrench that reads so many percent off: the whole of its band lies inside range and ceiling, or it is said. */
    public function within(float $errorPercent): WrenchBand
    {
        $e = $errorPercent / 100;
        $stated = $this->first();
        $top = $this->ceiling?->value() ?? \INF;
        if (!$stated->isRange()) {
            return WrenchBand::around($stated->low->value(), $e, 0.0, $top);
        }
        [$low, $high] = [$stated->low->value(), min($stated->high->value(), $top)];
        [$least, $most] = [$low / (1 - $e), $high / (1 + $e)];
        $wanted = match ($this->end) {
            'low' => $least,
            'high' => $most,
            default => min($stated->middle?->value() ?? ($low + $high) / 2, $most),
        };

        return WrenchBand::around($least <= $most ? max($least, min($most, $wanted)) : ($low + $high) / 2, $e, $low, $high);
    }

    /** Degrees further after the torque, where the figure itself says so; 0 where it does not. */
    public function angle(): float
    {
        return $this->read?->angle?->value() ?? 0.0;
    }

    /** As a figure to be shown: in the unit it was written in. */
    public function figure(): Figure
    {
        $first = $this->first()->low;

        return $this->isRange() ? new Figure(
            Quantity::torque($this->target()), $first->unit, $first->halfStep, $this->stated, $this->origin,
        ) : $first->withOrigin($this->origin);
    }

    /** “at the low end, for the soft thread; never past 24 N·m”; empty where there is nothing to say. */
    public function inWords(): string
    {
        $end = ['low' => 'at the low end', 'high' => 'at the high end', 'middle' => 'in the middle'][$this->end] ?? '';
        $parts = array_filter([
            $this->isRange() ? $end.('' === $this->because ? '' : ': '.$this->because) : '',
            null === $this->ceiling ? '' : sprintf('never past %s%sN·m', Digits::of(Kind::Torque, $this->ceiling->value()), Digits::GROUP),
        ]);

        return implode('; ', $parts);
    }

    private function first(): Stated
    {
        return $this->read ?? throw new \LogicException('This joint has no torque; ask hasTorque() first.');
    }

    private static function torque(Node $node, string $key, string $text): Stated
    {
        try {
            return Notation::readStated(Kind::Torque, $text);
        } catch (InvalidQuantity $e) {
            throw $node->refuse($key, $e->getMessage());
        }
    }

    /** “snug + 1/4 turn”, “hand-tight and then 120°”: degrees from snug; 0 for a torque. */
    private static function turn(Node $node, string $stated): float
    {
        if (1 !== preg_match(
            '~\A\s*(?:snug|hand[- ]?tight|finger[- ]?tight|contact)\s*(?:\+|,|plus|and then|then|and)?\s*(?<turn>.+)\z~ui', $stated,
            $m,
        )) {
            return 0.0;
        }
        try {
            return Notation::read(Kind::Angle, $m['turn'])->value();
        } catch (InvalidQuantity $e) {
            throw $node->refuse('figure', $e->getMessage());
        }
    }
}
