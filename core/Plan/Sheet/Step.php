<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Sheet;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\FollowUp;
use NimbleKnuckle\Core\Plan\Procedure\Operation;
use NimbleKnuckle\Core\Plan\Procedure\PutIn;
use NimbleKnuckle\Core\Plan\Procedure\Supply;
use NimbleKnuckle\Core\Plan\Vehicle\TrayLine;

/** One line of a fit sheet: what to do, with what, how long, what can go wrong, what to count and to measure. */
final readonly class Step
{
    /**
     * @param list<Caution> $cautions
     * @param list<string> $tools
     * @param list<Supply> $consumables
     * @param list<Supply> $parts
     * @param list<TrayLine> $tray
     * @param list<Ask> $asks
     * @param list<string> $tags facts the linter looks for
     * @param list<string> $after steps that must be over before this one begins
     * @param list<PutIn> $puts what goes in for a while and must come out again
     */
    public function __construct(
        public string $id,
        public Phase $phase,
        public Deed $deed,
        public string $title,
        public string $text,
        public string $why = '',
        public string $orientation = '',
        public Position $position = Position::Any,
        public Minutes $minutes = new Minutes(0, 0, 0),
        public bool $passive = false,
        public string $until = '',
        public array $cautions = [],
        public array $tools = [],
        public array $consumables = [],
        public array $parts = [],
        public string $item = '',
        public string $joint = '',
        public string $circuit = '',
        public array $tray = [],
        public array $asks = [],
        public string $sum = '',
        public FollowUp $followUp = new FollowUp('', '', '', '', 0, 0),
        public string $body = '',
        public float $moveMm = 0.0,
        public string $moveWay = '',
        public float $cure = 0.0,
        public array $tags = [],
        public array $after = [],
        public string $routine = '',
        public array $puts = [],
    ) {
    }

    /** A step straight from an operation; the compiler binds what it acts on. */
    public static function fromOperation(Operation $op, string $item = '', string $joint = '', string $circuit = ''): self
    {
        return new self(
            $op->id, $op->phase, $op->deed, $op->title, $op->text, $op->why, $op->orientation, $op->position, $op->minutes,
            $op->passive, $op->until,
            $op->cautions, $op->tools, $op->consumables, $op->parts, $item, $joint, $circuit, [], $op->asks, $op->sum, $op->followUp,
            $op->body, $op->moveMm, $op->moveWay, $op->cure, $op->tags, routine: $op->routine, puts: $op->puts,
        );
    }

    /** The same step with some of its parts exchanged. */
    public function with(mixed ...$changes): self
    {
        // The parts in the order of the constructor: matching thirty names costs more than all else here.
        return new self(...array_values(array_replace(get_object_vars($this), $changes))); // @phpstan-ignore argument.type
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->string('id'), $node->enum('phase', Phase::class), $node->enum('deed', Deed::class), $node->string('title'),
            $node->string('text', ''),
            $node->string('why', ''), $node->string('orientation', ''), $node->enum('position', Position::class, Position::Any),
            Minutes::read($node, 'minutes'),
            $node->bool('passive'), $node->string('until', ''), Caution::readList($node, 'cautions'), $node->strings('tools'),
            array_map(Supply::read(...), $node->nodes('consumables')), array_map(Supply::read(...), $node->nodes('parts')),
            $node->string('item', ''), $node->string('joint', ''), $node->string('circuit', ''),
            array_map(TrayLine::read(...), $node->nodes('tray')), array_map(Ask::read(...), $node->nodes('asks')), $node->string('sum', ''),
            $node->has('follow_up') ? FollowUp::read($node->node('follow_up')) : FollowUp::none(),
            $node->string('body', ''), $node->node('move')->float('mm', 0.0), $node->node('move')->string('way', ''),
            $node->float('cure', 0.0), $node->strings('tags'), $node->strings('after'), $node->string('routine', ''),
            array_map(PutIn::read(...), $node->nodes('puts')),
        );
    }

    /** @return array<string, mixed> without what is empty */
    public function toArray(): array
    {
        $all = [
            'id' => $this->id, 'phase' => $this->phase->value, 'deed' => $this->deed->value, 'title' => $this->title, 'text' => $this->text,
            'why' => $this->why, 'orientation' => $this->orientation, 'position' => $this->position->value,
            'minutes' => $this->minutes->toArray(),
            'passive' => $this->passive, 'until' => $this->until,
            'cautions' => array_map(static fn (Caution $c): array => $c->toArray(), $this->cautions), 'tools' => $this->tools,
            'consumables' => array_map(static fn (Supply $s): array => $s->toArray(), $this->consumables),
            'parts' => array_map(static fn (Supply $s): array => $s->toArray(), $this->parts),
            'item' => $this->item, 'joint' => $this->joint, 'circuit' => $this->circuit,
            'tray' => array_map(static fn (TrayLine $l): array => $l->toArray(), $this->tray),
            'asks' => array_map(static fn (Ask $a): array => $a->toArray(), $this->asks), 'sum' => $this->sum,
            'follow_up' => $this->followUp->isNone() ? null : $this->followUp->toArray(),
            'body' => $this->body, 'move' => '' === $this->moveWay ? null : [
                'mm' => $this->moveMm, 'way' => $this->moveWay,
            ], 'cure' => 0.0 === $this->cure ? null : $this->cure,
            'tags' => $this->tags, 'after' => $this->after, 'routine' => $this->routine,
            'puts' => array_map(static fn (PutIn $put): array => $put->toArray(), $this->puts),
        ];

        return array_filter($all, static fn (mixed $value): bool => !in_array($value, ['', null, false, []], true));
    }
}
