<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting;

/**
 * Where the two leads of a voltmeter go for each reading of a starting circuit. Frame of 640 by 340: battery on the left, starter on
 * the right, the feed above, the earth below.
 */
final readonly class MeterDrawing
{
    private const POINTS = ['plus' => [132.0, 92.0], 'minus' => [62.0, 92.0], 'stud' => [484.0, 108.0], 'case' => [560.0, 200.0]];
    private const SAID = ['plus' => 'battery plus post', 'minus' => 'battery minus post', 'stud' => 'battery stud of the solenoid',
        'case' => 'case of the starter, bare metal'];
    /** By the part of its name that says which reading it is. */
    private const LEADS = ['rest' => ['plus', 'minus'], 'crank' => ['plus', 'minus'], 'stud' => ['stud', 'case'],
        'ground' => ['case', 'minus']];
    /** The checks of a table of causes that are one of these; the feed by itself, which no step asks for. */
    private const CHECKS = ['rest' => 'rest', 'crank' => 'crank', 'earth-drop' => 'ground', 'feed-drop' => 'feed'];

    /**
     * @param array{float, float} $red
     * @param array{float, float} $black
     */
    private function __construct(
        public array $red, public array $black, public string $redSaid, public string $blackSaid, public bool $isCranking,
    ) {
    }

    /** By the check of a table of causes; null where it is none of them. */
    public static function atCheck(string $check): ?self
    {
        return isset(self::CHECKS[$check]) ? self::leg(self::CHECKS[$check]) : null;
    }

    private static function leg(string $leg): self
    {
        [$red, $black] = self::LEADS[$leg] ?? ['plus', 'stud'];

        return new self(self::POINTS[$red], self::POINTS[$black], self::SAID[$red], self::SAID[$black], 'rest' !== $leg);
    }

    /** By the field of a reading, “volts_stud”; null where it is none of them. */
    public static function of(string $field): ?self
    {
        $leg = explode('_', $field)[1] ?? '';

        return str_starts_with($field, 'volts_') && isset(self::LEADS[$leg]) ? self::leg($leg) : null;
    }
}
