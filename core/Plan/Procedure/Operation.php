<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;

/** One line of a procedure, vehicle-free: what it acts on is a role that the vehicle sheet fills. */
final readonly class Operation
{
    /**
     * @param array<string, list<string>> $when
     * @param list<Caution> $cautions
     * @param list<string> $tools
     * @param list<Supply> $consumables
     * @param list<Supply> $parts
     * @param list<Ask> $asks
     * @param list<string> $tags facts the linter looks for, such as “flash” or “external-gate”
     * @param list<PutIn> $puts what goes in for a while and must come out again
     */
    public function __construct(
        public string $id,
        public Phase $phase,
        public Deed $deed,
        public string $on,
        public array $when,
        public string $title,
        public string $text,
        public string $why,
        public string $orientation,
        public Position $position,
        public Minutes $minutes,
        public bool $passive,
        public string $until,
        public array $cautions,
        public array $tools,
        public array $consumables,
        public array $parts,
        public array $asks,
        public string $sum,
        public FollowUp $followUp,
        public string $body = '',
        public float $moveMm = 0.0,
        public string $moveWay = '',
        public float $cure = 0.0,
        public array $tags = [],
        public string $routine = '',
        public array $puts = [],
    ) {
    }

    /**
     * The operations that wait for this one; the first that is on the sheet counts (“a|b”).
     *
     * @return list<string>
     */
    public function untils(): array
    {
        return '' === $this->until ? [] : explode('|', $this->until);
    }

    private static function routine(Node $node): string
    {
        $name = $node->string('routine', '');

        return '' === $name || null !== FillRoutine::named($name) ? $name : throw $node->refuse(
            'routine', sprintf('the routines are %s.', implode(', ', FillRoutine::names())),
        );
    }

    public static function read(Node $node): self
    {
        $when = [];
        foreach ($node->node('when')->keys() as $group) {
            $when[$group] = $node->node('when')->strings($group);
        }
        $tools = $node->strings('tools');

        return new self(
            $node->string('id'), $node->enum('phase', Phase::class), $node->enum('do', Deed::class), $node->string('on', ''), $when,
            $node->string('title', ''), $node->string('text', ''), $node->string('why', ''), $node->string('orientation', ''),
            $node->enum('position', Position::class, Position::Any), Minutes::read($node, 'minutes'), $node->bool('passive'),
            $node->string('until', ''),
            Caution::readList($node, 'cautions'), $tools,
            array_map(Supply::read(...), $node->nodes('consumables')), array_map(Supply::read(...), $node->nodes('parts')),
            array_map(Ask::read(...), $node->nodes('asks')), $node->string('sum', ''),
            $node->has('follow_up') ? FollowUp::read($node->node('follow_up')) : FollowUp::none(),
            $node->string('body', ''), $node->node('move')->float('mm', 0.0), $node->node('move')->string('way', ''),
            $node->float('cure', 0.0), $node->strings('tags'), self::routine($node),
            array_map(PutIn::read(...), $node->nodes('puts')),
        );
    }
}
