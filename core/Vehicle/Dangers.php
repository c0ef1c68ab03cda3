<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Caution;

/**
 * What can hurt at an item: cautions, its weight, what hangs on it (engine, gearbox), what makes touching it dangerous (battery),
 * whether the vehicle steers and brakes by it.
 */
final readonly class Dangers
{
    /** It steers or brakes: without it the vehicle is not rolled. */
    public const STEERING = 'steering';

    /**
     * @param list<Caution> $cautions when it comes off
     * @param list<Caution> $back when it goes back, in words of their own where the sheet has some
     * @param list<string> $hazards
     * @param string $wet the circuit it is part of: it runs out where it comes off before that is drained; empty for none
     * @param float $mass kg; 0 where nobody said
     */
    private function __construct(
        public array $cautions, public array $back, public string $carries, public array $hazards, public string $wet, public float $mass,
    ) {
    }

    public static function read(Node $node): self
    {
        [$off, $on] = [[], []];
        foreach ($node->has('cautions') ? $node->list('cautions') : [] as $i => $written) {
            $one = Node::of(is_string($written) ? ['text' => $written] : $written, 'cautions.'.$i);
            $holds = $one->string('holds', 'both');
            in_array($holds, ['both', 'off', 'on'], true) || throw $one->refuse('holds', 'say off, on or both.');
            'on' === $holds || $off[] = new Caution($one->string('text'), $one->bool('acknowledge'));
            'off' === $holds || $on[] = new Caution($one->string('back', $one->string('text')), $one->bool('acknowledge'));
        }

        return new self(
            $off, $on, $node->string('carries', ''), $node->strings('hazards'), $node->string('wet', ''),
            BoundedNumber::within($node, 'mass', 0.0, 500.0),
        );
    }
}
