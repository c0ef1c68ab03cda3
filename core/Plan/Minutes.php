<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan;

use NimbleKnuckle\Core\Document\Node;

/** A three-point duration in minutes. The mean is that of a beta-PERT: (low + 4 likely + high) / 6. */
final readonly class Minutes
{
    /**
     * @param int $from jobs of this workshop it is learned from; 0 as the procedure has it
     * @param float $planned what the procedure has as likely, where it is learned
     */
    public function __construct(
        public float $low, public float $likely, public float $high, public int $from = 0, public float $planned = 0.0,
    ) {
        ($low >= 0 && $low <= $likely && $likely <= $high) || throw new \DomainException(sprintf(
            'Minutes %s, %s, %s do not rise from zero.', $low, $likely, $high,
        ));
    }

    public static function none(): self
    {
        return new self(0, 0, 0);
    }

    /** “minutes: [4, 6, 10]”, or one number for all three. */
    public static function read(Node $node, string $key): self
    {
        if (!$node->has($key)) {
            return self::none();
        }
        $given = is_array($node->raw()[$key]) ? $node->floats($key) : [$node->float($key)];
        $three = 1 === count($given) ? [$given[0], $given[0], $given[0]] : $given;
        if (3 !== count($three) || $three[0] < 0 || $three[0] > $three[1] || $three[1] > $three[2]) {
            throw $node->refuse($key, 'three minutes that rise are needed: low, likely, high.');
        }

        return new self(...$three);
    }

    /** Around one likely number of minutes: from 60 % to 180 % of it, an assumption of ours. */
    public static function around(float $likely): self
    {
        return new self(round($likely * 0.6, 1), $likely, round($likely * 1.8, 1));
    }

    public function times(float $factor): self
    {
        return new self($factor * $this->low, $factor * $this->likely, $factor * $this->high);
    }

    /** What the procedure has as likely, learned or not. */
    public function byProcedure(): float
    {
        return $this->from > 0 ? $this->planned : $this->likely;
    }

    public function learned(int $from, float $planned): self
    {
        return new self($this->low, $this->likely, $this->high, $from, $planned);
    }

    public function mean(): float
    {
        return ($this->low + 4 * $this->likely + $this->high) / 6;
    }

    public function isNone(): bool
    {
        return 0.0 === $this->high;
    }

    /** @return array{float, float, float} */
    public function toArray(): array
    {
        return [$this->low, $this->likely, $this->high];
    }
}
