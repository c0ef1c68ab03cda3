<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

use NimbleKnuckle\Core\Document\Node;

/** How long the fit takes, in minutes: hands on, and from start to end; and how much of the waits is used. */
final readonly class Timing
{
    /**
     * @param array<string, array{float, float, int}> $spans step => start, end, and whose hands (0 runs by itself), at
     *                                                       the likely durations
     */
    public function __construct(
        public float $low, public float $likely, public float $high, public float $mean, public float $saved, public array $spans,
        public int $people = 1,
    ) {
    }

    public static function read(Node $node): self
    {
        $spans = [];
        $given = $node->node('spans');
        foreach ($given->keys() as $step) {
            $span = $given->floats($step);
            $spans[$step] = [$span[0] ?? 0.0, $span[1] ?? 0.0, (int) ($span[2] ?? 1)];
        }

        return new self(
            $node->float('low'), $node->float('likely'), $node->float('high'), $node->float('mean'), $node->float('saved'), $spans,
            $node->int('people', 1),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'low' => $this->low, 'likely' => $this->likely, 'high' => $this->high, 'mean' => $this->mean, 'saved' => $this->saved,
            'spans' => $this->spans, 'people' => $this->people,
        ];
    }
}
