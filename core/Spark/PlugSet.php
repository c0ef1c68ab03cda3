<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Spark;

/** The plugs of an engine side by side: which one is odd by its gap or its look, and how fast they wear. mm. */
final readonly class PlugSet
{
    /** Modified z, over which a gap is odd (Iglewicz and Hoaglin); and the least spread that is believed, mm. */
    public const ODD = 3.5;
    public const LEAST_SPREAD = 0.02;
    public const NORMAL = 0.6745;
    private const LEAST = 3;

    /**
     * @param list<float> $z of each gap
     * @param list<int> $oddGaps places of those odd by their gap
     * @param list<int> $oddLooks places of those whose look is unlike that of most
     * @param ?PlugLook $most the look most of them have; null where there is none
     */
    private function __construct(public float $middle, public array $z, public array $oddGaps, public array $oddLooks,
        public ?PlugLook $most)
    {
    }

    /**
     * @param non-empty-list<float> $gaps
     * @param list<?PlugLook> $looks one each
     */
    public static function of(array $gaps, array $looks): self
    {
        $middle = self::middle($gaps);
        $spread = max(self::LEAST_SPREAD, self::middle(array_map(static fn (float $gap): float => abs($gap - $middle), $gaps)));
        $z = array_map(static fn (float $gap): float => self::NORMAL * ($gap - $middle) / $spread, $gaps);
        $enough = count($gaps) >= self::LEAST;
        $oddGaps = $enough ? array_keys(array_filter($z, static fn (float $one): bool => abs($one) > self::ODD)) : [];
        $most = self::most($looks);

        return new self($middle, $z, $oddGaps, null === $most || !$enough ? [] : array_keys(array_filter(
            $looks, static fn (?PlugLook $one): bool => null !== $one && $one !== $most,
        )), $most);
    }

    /** mm in 10 000 km. */
    public function wear(float $new, float $km): float
    {
        return ($this->middle - $new) / $km * 10_000;
    }

    /** @param list<?PlugLook> $looks */
    private static function most(array $looks): ?PlugLook
    {
        $named = array_map(static fn (PlugLook $one): string => $one->value, array_filter($looks));
        $counted = array_count_values($named);
        arsort($counted);
        $first = array_key_first($counted);

        return null !== $first && 2 * $counted[$first] > count($named) ? PlugLook::from((string) $first) : null;
    }

    /** @param non-empty-list<float> $values */
    private static function middle(array $values): float
    {
        sort($values);
        $n = count($values);

        return (($values[intdiv($n - 1, 2)] ?? 0.0) + ($values[intdiv($n, 2)] ?? 0.0)) / 2;
    }
}
