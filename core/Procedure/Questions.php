<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

/** The questions of jobs planned together: what two ask of the same thing is asked once, by the first; one answer is no question. */
final readonly class Questions
{
    /** Before the role of a joint: what goes on its threads. */
    public const COAT = 'on.';

    /**
     * @param list<Procedure> $jobs
     *
     * @return array<string, list<ChoiceGroup>> job => what it asks
     */
    public static function of(array $jobs): array
    {
        $asked = $topics = [];
        foreach ($jobs as $job) {
            $asked[$job->id] = [];
            foreach ($job->groups as $group) {
                $isKnown = '' !== $group->topic && isset($topics[$group->topic]);
                if (!$isKnown && count($group->options) > 1) {
                    $asked[$job->id][] = $group;
                }
                $topics[$group->topic] = true;
            }
        }

        return $asked;
    }

    /**
     * Every answer, said or not: of one topic the first job's counts for all. A job that does not know that way leaves the whole
     * of it to the first: its answer is empty.
     *
     * @param list<Procedure> $jobs
     * @param array<string, string> $chosen question or way => option
     *
     * @return array<string, string>
     */
    public static function agreed(array $jobs, array $chosen): array
    {
        $said = [];
        $chosen = array_filter($chosen, static fn (string $group): bool => !str_starts_with($group, self::COAT), \ARRAY_FILTER_USE_KEY);
        foreach ($jobs as $job) {
            foreach ($job->groups as $group) {
                $option = '' === ($chosen[$group->id] ?? '') ? $group->default : $chosen[$group->id];
                // What nobody offered is left as it is, to be refused where it is planned.
                if ('' !== $group->topic && null !== $group->option($option)) {
                    $said[$group->topic] ??= $option;
                    $option = null === $group->option($said[$group->topic]) ? '' : $said[$group->topic];
                }
                $chosen[$group->id] = $option;
                $coat = $group->option($option)->coat ?? null;
                $chosen += null === $coat?->compound ? [] : [self::COAT.$coat->joint => $coat->compound->value];
            }
        }

        return $chosen;
    }
}
