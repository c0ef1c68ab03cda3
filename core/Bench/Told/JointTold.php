<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Told;

/** A joint as it was tightened: its figure, its fasteners in the order they reached it, with what and by whom. */
final readonly class JointTold
{
    /**
     * @param string $figure with where it came from, “21 N·m (maker’s figure)”; empty where there is none
     * @param list<int> $order fasteners in the order they reached their last stage
     * @param list<string> $wrenches each with its setting, “3/8 click, 21.5 N·m”
     * @param list<string> $by
     */
    public function __construct(
        public string $name, public string $fasteners, public string $figure, public array $order,
        public int $count, public array $wrenches, public array $by, public ?\DateTimeImmutable $at,
    ) {
    }

    public function isWhole(): bool
    {
        return count($this->order) === $this->count;
    }
}
