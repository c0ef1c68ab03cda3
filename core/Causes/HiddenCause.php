<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes;

use NimbleKnuckle\Core\Luck;

/** A vehicle with something hidden behind its complaint, drawn from a table; the same seed hides the same and answers alike. Minutes. */
final readonly class HiddenCause
{
    /** Steps after which looking on is given up. */
    private const MOST = 40;

    public string $cause;

    public function __construct(private CauseTable $table, private int $seed)
    {
        $at = (new Luck($seed))->between(0.0, array_sum($table->priors));
        $cause = (string) array_key_first($table->priors);
        foreach ($table->priors as $id => $prior) {
            $cause = $id;
            if (($at -= $prior) <= 0.0) {
                break;
            }
        }
        $this->cause = (string) $cause;
    }

    /** What a check shows on it, each time the same. */
    public function answer(CauseCheck $check): string
    {
        $at = (new Luck($this->seed + (crc32($check->id) >> 2)))->between(0.0, 1.0);
        foreach ($check->under($this->cause, 1.0) as $i => $chance) {
            if (($at -= $chance) <= 0.0) {
                return $check->answers[$i] ?? $check->answers[0];
            }
        }

        return $check->answers[count($check->answers) - 1] ?? $check->answers[0];
    }

    /**
     * The way the table itself would take: the check that tells most a minute, until enough is known.
     *
     * @return array{minutes: float, checks: list<string>, cause: string} the cause that comes first then
     */
    public function way(): array
    {
        [$minutes, $findings] = [0.0, []];
        $ranking = Ranking::of($this->table, [], []);
        for ($i = 0; $i < self::MOST && null !== $ranking->next && !$ranking->isEnough(); ++$i) {
            $findings[$ranking->next->id] = $this->answer($ranking->next);
            $minutes += $ranking->next->minutes;
            $ranking = Ranking::of($this->table, $findings, []);
        }

        return ['minutes' => $minutes, 'checks' => array_keys($findings), 'cause' => (string) array_key_first($ranking->chances)];
    }
}
