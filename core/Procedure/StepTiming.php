<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Sealing\FaceWay;

/** Where in the job and on the floor a step stands, and how long it takes; a passive one runs by itself until another begins. */
final readonly class StepTiming
{
    /**
     * @param float $cure min
     * @param list<string> $after steps that must be over before this one begins
     * @param ?FaceWay $sealant the one whose setting is waited for: its minutes go by how warm it is
     */
    public function __construct(
        public Phase $phase,
        public Position $position = Position::Any,
        public Minutes $minutes = new Minutes(0, 0, 0),
        public bool $passive = false,
        public string $until = '',
        public float $cure = 0.0,
        public array $after = [],
        public ?FaceWay $sealant = null,
    ) {
    }

    /** @return list<string> the steps that wait for this one; the first that is on the sheet counts (“a|b”) */
    public function untils(): array
    {
        return '' === $this->until ? [] : explode('|', $this->until);
    }

    /** For both at once: where either must be, as long as the longer, until the first of what either waits for. */
    public function and(self $other): self
    {
        $minutes = new Minutes(
            max($this->minutes->low, $other->minutes->low), max($this->minutes->likely, $other->minutes->likely),
            max($this->minutes->high, $other->minutes->high),
        );

        return new self(
            $this->phase, Position::Any === $this->position ? $other->position : $this->position, $minutes,
            $this->passive && $other->passive, implode('|', array_unique([...$this->untils(), ...$other->untils()])),
            max($this->cure, $other->cure), sealant: $this->sealant ?? $other->sealant,
        );
    }

    public function in(Phase $phase): self
    {
        return new self($phase, $this->position, $this->minutes, $this->passive, $this->until, $this->cure, $this->after, $this->sealant);
    }

    /** @param list<string> $after */
    public function between(array $after, string $until): self
    {
        return new self($this->phase, $this->position, $this->minutes, $this->passive, $until, $this->cure, $after, $this->sealant);
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->enum('phase', Phase::class), $node->enum('position', Position::class, Position::Any), self::minutes($node),
            $node->bool('passive'), $node->string('until', ''), $node->float('cure', 0.0), $node->strings('after'),
            $node->has('sealant') ? $node->enum('sealant', FaceWay::class) : null,
        );
    }

    private static function minutes(Node $node): Minutes
    {
        $minutes = Minutes::read($node, 'minutes');
        if (!$node->has('learned')) {
            return $minutes;
        }
        $learned = $node->node('learned');

        return $minutes->learned($learned->int('from'), $learned->float('planned'));
    }
}
