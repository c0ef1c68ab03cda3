<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure\Complaint;

use NimbleKnuckle\Core\Causes\CauseCheck;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\CheckFindings;
use NimbleKnuckle\Core\Causes\Proof;
use NimbleKnuckle\Core\Procedure\Procedure;

/**
 * What a complaint adds to the sheet of a fit, as a procedure: what pointed to the cause is checked again at the end, before beside
 * after, and it is asked whether that was it.
 */
final readonly class ComplaintWork
{
    public const PREFIX = 'complaint-';
    public const AGAIN = 'again_';
    public const CAUSE = 'cause_was';
    public const UNSURE = 'cannot-say';
    public const SOUND = 'as-it-should-be';
    public const NOT_AGAIN = 'not-again';

    /** @return array<string, mixed> nimble-knuckle/procedure@1 */
    public static function document(CauseTable $table, CheckFindings $found, string $cause): array
    {
        $again = array_map(
            static fn (CauseCheck $check): array => self::again($table, $check, $found), Proof::of($table, $found, $cause),
        );

        return [
            'format' => Procedure::FORMAT, 'id' => self::PREFIX.$table->id, 'title' => 'Complaint: '.mb_strtolower($table->title),
            'summary' => 'What pointed to the cause, checked again.', 'needs' => ['items' => []],
            'operations' => [self::found($table, $found, $cause), ...$again, self::outcome($table, $cause)],
        ];
    }

    /**
     * The work itself: a complaint gives no fit its name. Where there is nothing else it stays.
     *
     * @param list<Procedure> $procedures
     *
     * @return list<Procedure>
     */
    public static function without(array $procedures): array
    {
        $work = array_values(array_filter($procedures, static fn (Procedure $one): bool => !str_starts_with($one->id, self::PREFIX)));

        return [] === $work ? $procedures : $work;
    }

    /** @return array<string, mixed> */
    private static function found(CauseTable $table, CheckFindings $found, string $cause): array
    {
        $said = [];
        foreach (array_keys($found->made()) as $id) {
            $said[] = sprintf('%s: %s.', rtrim($table->checks[$id]->ask, '?'), $found->said($table->checks[$id]));
        }

        return [
            'id' => self::PREFIX.$table->id.'-found', 'phase' => 'decide', 'do' => 'check', 'position' => 'any',
            'title' => 'What was found', 'minutes' => 1,
            'text' => implode(' ', [...$said, sprintf('Taken for the cause: %s.', $table->names[$cause])]),
        ];
    }

    /** @return array<string, mixed> */
    private static function again(CauseTable $table, CauseCheck $check, CheckFindings $found): array
    {
        $before = $found->said($check);

        return [
            'id' => self::PREFIX.$table->id.'-'.$check->id, 'phase' => 'prove', 'do' => 'check', 'position' => 'ground',
            'title' => 'Again: '.$check->ask, 'text' => trim(sprintf('%s Before: %s.', $check->how, $before)),
            'why' => 'The same check twice, side by side, is the proof.', 'minutes' => $check->minutes,
            'asks' => [['field' => self::AGAIN.$check->id, 'label' => sprintf('Now (before: %s)', $before),
                'past' => 'As before. The cause is still there, or it was not the only one.', 'guards' => ['sign-off'],
            ] + self::held($check, $found)],
        ];
    }

    /** @return array<string, mixed> a reading with limits where one was read before, else the answers, the one from before bad */
    private static function held(CauseCheck $check, CheckFindings $found): array
    {
        $answer = $found->answers[$check->id];
        $limits = isset($found->read[$check->id]) ? $check->scale?->elsewhere($answer) : null;
        if (null !== $check->scale && null !== $limits) {
            return ['kind' => $check->scale->kind->value, 'unit' => $check->scale->unit->value, 'limits' => $limits];
        }
        $choices = [['id' => self::SOUND, 'label' => 'As it should be']];
        foreach ($check->labels as $id => $label) {
            $choices[] = ['id' => $id, 'label' => $label] + ($id === $answer ? ['bad' => true] : []);
        }

        return ['choices' => [...$choices, ['id' => self::NOT_AGAIN, 'label' => 'Not checked again', 'bad' => true]]];
    }

    /** @return array<string, mixed> */
    private static function outcome(CauseTable $table, string $cause): array
    {
        $choices = [];
        foreach ([$cause => ''] + $table->names as $id => $name) {
            $choices[] = ['id' => $id, 'label' => ucfirst($table->names[$id] ?? $name)];
        }

        return [
            'id' => self::PREFIX.$table->id.'-outcome', 'phase' => 'prove', 'do' => 'check', 'position' => 'ground',
            'title' => 'What was it?', 'text' => sprintf(
                '%s: %s was taken for the cause. What it was counts the next time this is looked for here.',
                $table->title, $table->names[$cause],
            ),
            'minutes' => 1, 'asks' => [['field' => self::CAUSE, 'label' => 'The cause was', 'guards' => ['sign-off'],
                'choices' => [...$choices, ['id' => self::UNSURE, 'label' => 'Cannot say yet']],
            ]],
        ];
    }
}
