<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes\Door;

use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\Ranking;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** What was found, and what was confirmed here before, as records or as a person writes it. */
final readonly class CauseReading
{
    /** @return array<string, string> check => answer */
    public static function findings(Inputs $in, CauseTable $table): array
    {
        $findings = [];
        foreach ($in->has('findings') ? $in->items('findings') : [] as $i => $item) {
            if (is_string($item)) {
                $parts = preg_split('~[\s:=]+~', trim($item), 2) ?: [];
                $item = ['check' => $parts[0] ?? '', 'answer' => $parts[1] ?? ''];
            }
            $text = static fn (string $key): string => is_array($item) && is_scalar($item[$key] ?? null) ? trim((string) $item[$key]) : '';
            [$check, $answer] = [$text('check'), $text('answer')];
            $known = $table->checks[$check] ?? throw InvalidInput::in('findings', sprintf(
                'Finding %d: there is no check “%s”; the checks are %s.', $i + 1, $check, implode(', ', array_keys($table->checks)),
            ));
            Ranking::SKIPPED === $answer || null !== $known->place($answer) || throw InvalidInput::in('findings', sprintf(
                'Finding %d: “%s” answers %s, or skip.', $i + 1, $check, implode(', ', $known->answers),
            ));
            $findings[$check] = $answer;
        }

        return $findings;
    }

    /** @return array<string, int> cause => times */
    public static function confirmed(Inputs $in, CauseTable $table): array
    {
        $pairs = self::pairs($in);
        $counts = [];
        foreach ($pairs as $cause => $times) {
            isset($table->names[$cause]) || throw InvalidInput::in('confirmed', sprintf(
                'There is no cause “%s”; the causes are %s.', $cause, implode(', ', array_keys($table->names)),
            ));
            is_numeric($times) && $times >= 0 && $times < 100_000 || throw InvalidInput::in('confirmed',
                'How often it was: nothing or more.');
            $counts[(string) $cause] = (int) $times;
        }

        return $counts;
    }

    /** @return array<array-key, mixed> */
    private static function pairs(Inputs $in): array
    {
        $raw = $in->raw['confirmed'] ?? [];
        if (is_array($raw) && !array_is_list($raw)) {
            return $raw;
        }
        $pairs = [];
        foreach ($in->has('confirmed') ? $in->items('confirmed') : [] as $item) {
            $parts = is_string($item) ? preg_split('~[\s:=]+~', trim($item), 2) ?: [] : [];
            $pairs[$parts[0] ?? ''] = $parts[1] ?? '1';
        }

        return $pairs;
    }
}
