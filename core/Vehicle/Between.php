<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** The two bodies that an item ties together: rigidly (bolt, mount, shaft, hard line), or with some slack (hose, harness, hanger). */
final readonly class Between
{
    /**
     * @param list<Body> $bodies two, or none
     * @param float $slack mm one of the two may move before it strains; 0 where nobody said
     */
    private function __construct(public array $bodies, public bool $isRigid, public float $slack)
    {
    }

    public static function read(Node $node): self
    {
        $bodies = array_map(static fn (string $named): Body => Body::tryFrom($named) ?? throw $node->refuse('between', sprintf(
            '“%s” is none: say two of %s.', $named, implode(', ', array_column(Body::cases(), 'value')),
        )), $node->strings('between'));
        [] === $bodies || 2 === count($bodies) && $bodies[0] !== $bodies[1] || throw $node->refuse(
            'between', 'two bodies are needed, and two different ones.',
        );
        $tie = $node->string('tie', 'rigid');
        in_array($tie, ['rigid', 'flexible'], true) || throw $node->refuse('tie', 'a tie is rigid or flexible.');
        $slack = BoundedNumber::within($node, 'slack', 0.0, 1000.0);
        $slack <= 0.0 || 'flexible' === $tie || throw $node->refuse('slack', 'only what is flexible has slack.');

        return new self($bodies, 'rigid' === $tie, $slack);
    }

    /** Whether it holds that body to another one. */
    public function holds(Body $body): bool
    {
        return in_array($body, $this->bodies, true);
    }

    /** Whether its slack is known and less than a body goes, in mm. */
    public function isShortFor(float $mm): bool
    {
        return !$this->isRigid && $this->slack > 0.0 && $this->slack < $mm;
    }

    /** Whether it has to be freed before one of the two goes that far, in mm. */
    public function holdsFast(float $mm): bool
    {
        return $this->isRigid || $this->isShortFor($mm);
    }
}
