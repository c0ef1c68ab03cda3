<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes;

/**
 * What is behind a complaint, by what was found so far: Bayes over a table, the table corrected by what was confirmed here, each answer
 * a little in doubt; of checks that depend on one another only the most telling counts. The next check is the one that tells most a minute.
 */
final readonly class Ranking
{
    public const SKIPPED = 'skip';
    /** How many confirmed causes the table itself is worth. */
    private const TABLE = 10.0;
    /** How far an answer is believed. */
    public const TRUST = 0.96;
    /** How likely an answer has to be that would put another first, for asking on to be worth it. */
    private const WORTH = 0.1;
    /** From which on one cause stands alone. */
    public const ALONE = 0.8;

    /**
     * @param array<string, float> $chances cause => of one, the likeliest first
     * @param ?CauseCheck $next null where nothing is left that tells anything
     * @param ?array{CauseCheck, int, string} $overturn check, answer, and the cause that would come first then; the likeliest of such,
     *                                                  null where none is likelier than one in ten
     */
    private function __construct(public array $chances, public ?CauseCheck $next, public ?array $overturn)
    {
    }

    /**
     * @param array<string, string> $findings check => answer, or “skip”
     * @param array<string, int> $confirmed cause => how often it was the one here
     */
    public static function of(CauseTable $table, array $findings, array $confirmed): self
    {
        $chances = self::priors($table, $confirmed);
        $told = self::told($table, $findings, $chances);
        foreach ($told as [$check, $place]) {
            $chances = self::after($chances, $check, $place);
        }
        arsort($chances);
        $open = array_filter(
            $table->checks,
            static fn (CauseCheck $one): bool => !isset($findings[$one->id]) && !isset($told[self::key($one)]),
        );

        return new self($chances, self::next($chances, $open), self::overturn($chances, $open));
    }

    /** Whether asking on is no longer worth its minutes: one stands alone, or no answer that is likely would put another first. */
    public function isEnough(): bool
    {
        return null === $this->next || null === $this->overturn || max([0.0, ...array_values($this->chances)]) >= self::ALONE;
    }

    private static function key(CauseCheck $check): string
    {
        return '' === $check->group ? 'check '.$check->id : 'group '.$check->group;
    }

    /**
     * What counts of what was found: of each group the check that tells most.
     *
     * @param array<string, string> $findings
     * @param array<string, float> $priors
     *
     * @return array<string, array{CauseCheck, int}> group or check => check, and the place of its answer
     */
    private static function told(CauseTable $table, array $findings, array $priors): array
    {
        $told = [];
        foreach ($findings as $id => $answer) {
            $check = $table->checks[$id] ?? null;
            $place = $check?->place($answer);
            if (null === $check || null === $place) {
                continue;
            }
            $key = self::key($check);
            if (!isset($told[$key]) || self::tells($priors, $check) > self::tells($priors, $told[$key][0])) {
                $told[$key] = [$check, $place];
            }
        }

        return $told;
    }

    /** How many of the likeliest have to be named, so that nothing stands alone that is less than sure. */
    public function named(): int
    {
        $sum = 0.0;
        $n = 0;
        foreach ($this->chances as $chance) {
            $sum += $chance;
            ++$n;
            if ($sum >= self::ALONE) {
                break;
            }
        }

        return $n;
    }

    /**
     * @param array<string, int> $confirmed
     *
     * @return array<string, float>
     */
    private static function priors(CauseTable $table, array $confirmed): array
    {
        $known = array_intersect_key($confirmed, $table->priors);
        $all = array_sum($known);
        $chances = [];
        foreach ($table->priors as $id => $prior) {
            $chances[$id] = (self::TABLE * $prior + ($known[$id] ?? 0)) / (self::TABLE + $all);
        }

        return self::scaled($chances);
    }

    /**
     * @param array<string, float> $chances
     *
     * @return array<string, float>
     */
    private static function after(array $chances, CauseCheck $check, int $answer): array
    {
        foreach ($chances as $id => $chance) {
            $chances[$id] = $chance * ($check->under($id, self::TRUST)[$answer] ?? 0.0);
        }

        return self::scaled($chances);
    }

    /**
     * @param array<string, float> $chances
     *
     * @return array<string, float>
     */
    private static function scaled(array $chances): array
    {
        $sum = array_sum($chances);

        return array_map(static fn (float $one): float => $sum > 0.0 ? $one / $sum : 0.0, $chances);
    }

    /** @param array<string, float> $chances */
    private static function doubt(array $chances): float
    {
        return -array_sum(array_map(static fn (float $one): float => $one > 0.0 ? $one * log($one, 2) : 0.0, $chances));
    }

    /**
     * How likely each answer is now.
     *
     * @param array<string, float> $chances
     *
     * @return non-empty-list<float>
     */
    private static function answers(array $chances, CauseCheck $check): array
    {
        $likely = array_map(static fn (string $one): float => 0.0, $check->answers);
        foreach ($chances as $id => $chance) {
            foreach ($check->under($id, self::TRUST) as $i => $one) {
                $likely[$i] += $chance * $one;
            }
        }

        return array_values($likely);
    }

    /**
     * Bits it is expected to tell.
     *
     * @param array<string, float> $chances
     */
    private static function tells(array $chances, CauseCheck $check): float
    {
        $left = 0.0;
        foreach (self::answers($chances, $check) as $i => $likely) {
            $left += $likely * self::doubt(self::after($chances, $check, $i));
        }

        return self::doubt($chances) - $left;
    }

    /**
     * @param array<string, float> $chances
     * @param array<string, CauseCheck> $open
     */
    private static function next(array $chances, array $open): ?CauseCheck
    {
        $best = null;
        $most = 1e-6;
        foreach ($open as $check) {
            $rate = self::tells($chances, $check) / $check->minutes;
            [$best, $most] = $rate > $most ? [$check, $rate] : [$best, $most];
        }

        return $best;
    }

    /**
     * @param array<string, float> $chances
     * @param array<string, CauseCheck> $open
     *
     * @return ?array{CauseCheck, int, string}
     */
    private static function overturn(array $chances, array $open): ?array
    {
        $first = array_key_first($chances);
        $found = null;
        $likeliest = self::WORTH;
        foreach ($open as $check) {
            foreach (self::answers($chances, $check) as $i => $likely) {
                $then = self::after($chances, $check, $i);
                arsort($then);
                $other = array_key_first($then);
                if (null !== $other && $other !== $first && $likely > $likeliest) {
                    [$found, $likeliest] = [[$check, $i, $other], $likely];
                }
            }
        }

        return $found;
    }
}
