<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes;

/** Which checks are made again once the work is done: those whose answers pointed to the cause, the most telling first. */
final readonly class Proof
{
    private const MOST = 2;
    /** How many times likelier an answer has to be under the cause than under the others. */
    private const POINTS = 1.5;

    /**
     * @return list<CauseCheck> two at most; the most telling one where none points clearly, none where nothing was found
     */
    public static function of(CauseTable $table, CheckFindings $found, string $cause): array
    {
        $points = [];
        foreach ($found->made() as $id => $answer) {
            $points[$id] = self::points($table, $table->checks[$id], $answer, $cause);
        }
        arsort($points);
        $clear = array_filter($points, static fn (float $one): bool => $one >= self::POINTS);

        return array_map(
            static fn (string $id): CauseCheck => $table->checks[$id],
            array_slice(array_keys([] === $clear ? array_slice($points, 0, 1, true) : $clear), 0, self::MOST),
        );
    }

    /** How many times likelier the answer is under the cause than under all others, weighed by how often they are. */
    private static function points(CauseTable $table, CauseCheck $check, string $answer, string $cause): float
    {
        $place = (int) $check->place($answer);
        $chance = $weight = 0.0;
        foreach ($table->priors as $other => $prior) {
            if ($other !== $cause) {
                $chance += $prior * ($check->under($other, Ranking::TRUST)[$place] ?? 0.0);
                $weight += $prior;
            }
        }

        return ($check->under($cause, Ranking::TRUST)[$place] ?? 0.0) * $weight / max(1e-9, $chance);
    }
}
