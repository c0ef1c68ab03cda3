<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** A body that is held, let go or moved: engine, gearbox or crossmember; by what, how far in mm, and which way. */
final readonly class Load
{
    /**
     * @param ?Support $support what takes the weight or gives it back; null on letting go means all there is
     * @param ?Support $from what it is handed over from
     * @param float $capacity kg that the support is rated for; 0 where the procedure does not say
     */
    public function __construct(
        public string $body = '', public float $mm = 0.0, public string $way = '', public ?Support $support = null,
        public ?Support $from = null, public float $capacity = 0.0,
    ) {
    }

    public static function read(Node $node): self
    {
        $support = $node->has('support') ? $node->enum('support', Support::class) : null;
        $from = $node->has('from') ? $node->enum('from', Support::class) : null;
        if (!$node->has('move')) {
            return new self($node->string('body', ''), support: $support, from: $from, capacity: $node->float('capacity', 0.0));
        }
        $move = $node->node('move');

        return new self($node->string('body', ''), $move->float('mm', 0.0), $move->string('way', ''), $support);
    }
}
