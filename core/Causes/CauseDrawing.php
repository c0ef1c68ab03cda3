<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes;

/** Causes as bars, the likeliest first, those that have to be named together filled. Frame of 640 wide. */
final readonly class CauseDrawing
{
    private const BAR = 330.0;
    private const ROW = 38.0;

    /** @param list<array{name: string, y: float, bar: float, percent: float, isNamed: bool}> $rows */
    private function __construct(public array $rows, public float $height)
    {
    }

    public static function of(CauseTable $table, Ranking $ranking): self
    {
        $rows = [];
        $i = 0;
        foreach ($ranking->chances as $id => $chance) {
            $rows[] = [
                'name' => $table->names[$id] ?? $id, 'y' => self::ROW * $i, 'bar' => self::BAR * $chance, 'percent' => 100 * $chance,
                'isNamed' => $i < $ranking->named(),
            ];
            ++$i;
        }

        return new self($rows, self::ROW * $i + 6);
    }
}
