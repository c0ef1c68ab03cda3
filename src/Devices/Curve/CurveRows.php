<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\Core\Sum\InvalidInput;

/** Rows of numbers as a curve: so many columns, each within its bounds, the first never going back where it is a way or a time. */
final readonly class CurveRows
{
    private const MOST = 4000;

    /**
     * @param non-empty-list<array{float, float}> $bounds of each column
     * @param string $are “mm, then N·m”
     */
    public function __construct(private array $bounds, private string $are, private int $least, private bool $isByFirst)
    {
    }

    /**
     * @param list<list<float>> $rows
     *
     * @return non-empty-list<non-empty-list<float>>
     *
     * @throws InvalidInput naming the row
     */
    public function of(array $rows): array
    {
        $samples = [];
        foreach ($rows as $i => $row) {
            $sample = [];
            foreach ($this->bounds as $n => [$low, $high]) {
                $value = $row[$n] ?? \NAN;
                is_finite($value) && $value >= $low && $value <= $high || throw InvalidInput::in(
                    'rows', sprintf('Row %d: %s.', $i + 1, $this->are),
                );
                $sample[] = $value;
            }
            $before = $samples[$i - 1][0] ?? -\INF;
            !$this->isByFirst || $sample[0] >= $before || throw InvalidInput::in(
                'rows', sprintf('Row %d goes back: give them in their order.', $i + 1),
            );
            $samples[] = $sample;
        }

        return [] !== $samples && count($samples) >= $this->least && count($samples) <= self::MOST ? $samples : throw InvalidInput::in(
            'rows', sprintf('A curve has %d to %d rows, %s; here are %d.', $this->least, self::MOST, $this->are, count($samples)),
        );
    }
}
