<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Asking;
use NimbleKnuckle\Core\Procedure\Load;
use NimbleKnuckle\Core\Procedure\Needs;
use NimbleKnuckle\Core\Procedure\Operation;
use NimbleKnuckle\Core\Procedure\PutIn;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\StepTiming;
use NimbleKnuckle\Core\Procedure\Supply;
use NimbleKnuckle\Core\Procedure\Words;
use NimbleKnuckle\Core\Vehicle\TrayLine;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** One line of a fit sheet: what to do, with what, how long, what can go wrong, what to count and to measure. */
final readonly class Step
{
    /** @param list<string> $tags facts the linter looks for */
    public function __construct(
        public string $id,
        public StepKind $deed,
        public Target $target,
        public Words $words,
        public StepTiming $slot,
        public Needs $needs = new Needs(),
        public Asking $asking = new Asking(),
        public array $tags = [],
    ) {
    }

    /** A step straight from an operation; the compiler binds what it acts on. */
    public static function fromOperation(Operation $op, string $item = '', string $joint = '', string $circuit = ''): self
    {
        $target = new Target($item, $joint, $circuit, $op->aim->load);

        return new self($op->id, $op->deed, $target, $op->words, $op->slot, $op->needs, $op->asking, $op->tags);
    }

    /** A step that says what it is called, and no more. */
    public static function plain(string $id, Phase $phase, StepKind $deed, string $title): self
    {
        return new self($id, $deed, new Target(), new Words($title), new StepTiming($phase));
    }

    /**
     * The same step with some of its parts exchanged, by their own names.
     *
     * @throws \LogicException where a step has no such part
     */
    public function with(mixed ...$changes): self
    {
        $parts = get_object_vars($this);
        foreach ($parts as $name => $part) {
            $parts[$name] = \is_object($part) && !$part instanceof \UnitEnum ? self::exchanged($part, $changes) : $changes[$name] ?? $part;
            unset($changes[$name]);
        }[] === $changes || throw new \LogicException(sprintf('A step has no %s.', implode(', ', array_keys($changes))));

        return new self(...$parts); // @phpstan-ignore argument.type
    }

    /** @param array<int|string, mixed> $changes what is exchanged here is taken out of it */
    private static function exchanged(object $part, array &$changes): object
    {
        $all = get_object_vars($part);
        $mine = array_intersect_key($changes, $all);
        $changes = array_diff_key($changes, $mine);
        foreach ($all as $name => $inner) {
            $all[$name] = $inner instanceof Load && !isset($mine[$name]) ? self::exchanged($inner, $changes) : $mine[$name] ?? $inner;
        }

        return new $part(...$all);
    }

    /** The item it works at: its own, or that of its joint; empty where it is neither. */
    public function itemOn(VehicleSheet $vehicle): string
    {
        return '' !== $this->target->item ? $this->target->item : $vehicle->joints[$this->target->joint]->item ?? '';
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->string('id'), $node->enum('deed', StepKind::class), Target::read($node), Words::read($node, $node->string('title')),
            StepTiming::read($node), Needs::read($node), Asking::read($node), $node->strings('tags'),
        );
    }

    /** @return array<string, mixed> without what is empty */
    public function toArray(): array
    {
        [$words, $slot, $needs, $asking, $load] = [$this->words, $this->slot, $this->needs, $this->asking, $this->target->load];
        $all = [
            'id' => $this->id, 'phase' => $slot->phase->value, 'deed' => $this->deed->value,
            'title' => $words->title, 'text' => $words->text, 'why' => $words->why, 'orientation' => $words->orientation,
            'position' => $slot->position->value, 'minutes' => $slot->minutes->toArray(),
            'learned' => 0 === $slot->minutes->from ? null : ['from' => $slot->minutes->from, 'planned' => $slot->minutes->planned],
            'passive' => $slot->passive, 'until' => $slot->until,
            'cautions' => array_map(static fn (Caution $c): array => $c->toArray(), $words->cautions), 'tools' => $needs->tools,
            'consumables' => array_map(static fn (Supply $s): array => $s->toArray(), $needs->consumables),
            'parts' => array_map(static fn (Supply $s): array => $s->toArray(), $needs->parts),
            'item' => $this->target->item, 'joint' => $this->target->joint, 'circuit' => $this->target->circuit,
            'tray' => array_map(static fn (TrayLine $l): array => $l->toArray(), $needs->tray),
            'asks' => array_map(static fn (Ask $a): array => $a->toArray(), $asking->asks), 'sum' => $asking->sum,
            'follow_up' => $asking->followUp->isNone() ? null : $asking->followUp->toArray(),
            'body' => $load->body, 'support' => $load->support?->value,
            'from' => $load->from?->value, 'capacity' => 0.0 === $load->capacity ? null : $load->capacity,
            'move' => '' === $load->way ? null : ['mm' => $load->mm, 'way' => $load->way],
            'cure' => 0.0 === $slot->cure ? null : $slot->cure, 'sealant' => $slot->sealant?->value,
            'tags' => $this->tags, 'after' => $slot->after, 'routine' => $asking->routine,
            'photo' => $asking->shot?->value,
            'puts' => array_map(static fn (PutIn $put): array => $put->toArray(), $needs->puts),
        ];

        return array_filter($all, static fn (mixed $value): bool => !in_array($value, ['', null, false, []], true));
    }
}
