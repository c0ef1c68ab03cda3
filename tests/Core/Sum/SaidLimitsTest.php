<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * In a list each number is moved until it is refused: where that begins is what the refusal says, or another number of the same list
 * that it must not pass. What is worked out by geometry has no such number and is left out.
 */
final class SaidLimitsTest extends TestCase
{
    private const GEOMETRY = [
        'belt-fit', 'belt-path', 'photo-plane', 'disc-stack', 'cause', 'torque-check', 'trace-judge', 'warm-up', 'boost-run',
        'actuator-test',
    ];
    private const GRID = [
        -1e6, -300.0, -100.0, -30.0, -5.0, -1.0, -0.1, -0.001, 0.0, 0.0005, 0.01, 0.05, 0.2, 0.5, 1.3, 3.1, 5.7, 9.3, 15.5, 27.0, 43.0,
        70.0, 95.0, 130.0, 210.0, 330.0, 550.0, 1_100.0, 2_300.0, 5_200.0, 11_000.0, 33_000.0, 2e5, 1e6, 1e8,
    ];
    private const MOST_NUMBERS = 8;
    private const LONGEST = 200;
    /** What a figure may be written in beside its base unit, and a share beside its percent. */
    private const FACTORS = [1.0, -1.0, 1000.0, 0.001, 100.0, 0.01];
    /** A number of one digit where a count or a name stands: not a limit. */
    private const OTHERWISE = '~is not a grade|such as 18 to 22|Give “ring|A joint has 1 to|is not known|has no “~u';

    #[DataProvider('lists')]
    public function testARefusalNamesWhereItBegins(string $name, string $field, string $text): void
    {
        $sum = Doors::book(new \DateTimeImmutable('2026-11-25'))->named($name);
        $given = Worked::first($name);
        preg_match_all('~(?<![\w.])\d+(?:\.\d+)?(?![\w.])~', $text, $m, \PREG_OFFSET_CAPTURE);
        foreach (array_slice($m[0], 0, self::MOST_NUMBERS) as [$token, $at]) {
            $refusal = static function (float $value) use ($sum, $given, $field, $text, $token, $at): string {
                return Worked::refusal(
                    $sum, [$field => substr_replace($text, Worked::typed($value), $at, strlen($token))] + $given, $field,
                );
            };
            foreach (self::edges($refusal) as [$edge, $said]) {
                $known = [0.0, ...self::numbers((string) preg_replace('~“[^”]*”~u', '', $said)), ...self::numbers(implode(' ', $given))];
                $near = array_filter($known, static fn (float $one): bool => [] !== array_filter(
                    self::FACTORS, static fn (float $by): bool => abs($one * $by - $edge) <= 1e-6 * max(1.0, abs($edge)),
                ));
                self::assertNotSame([], $near, sprintf('%s of %s: %s begins at %s, and is told “%s”', $field, $name, $token, $edge, $said));
            }
        }
        $this->addToAssertionCount(1);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function lists(): iterable
    {
        foreach (Doors::book()->all() as $name => $sum) {
            $kinds = array_combine(
                array_map(static fn (Field $one): string => $one->name, $sum->about()->fields()),
                array_map(static fn (Field $one): bool => null !== $one->kind, $sum->about()->fields()),
            );
            foreach (in_array($name, self::GEOMETRY, true) ? [] : Worked::first($name) as $field => $text) {
                if (false === ($kinds[$field] ?? true) && strlen($text) < self::LONGEST) {
                    yield $name.' '.$field => [$name, $field, $text];
                }
            }
        }
    }

    /**
     * @param callable(float): string $refusal
     *
     * @return list<array{float, string}> where it begins or ends to be refused, and how that is told
     */
    private static function edges(callable $refusal): array
    {
        $edges = [];
        [$low, $was] = [self::GRID[0], $refusal(self::GRID[0])];
        foreach (array_slice(self::GRID, 1) as $high) {
            $is = $refusal($high);
            if (('' === $is) !== ('' === $was) && 1 !== preg_match(self::OTHERWISE, $was.$is)) {
                [$from, $to] = [$low, $high];
                for ($i = 0; $i < 50; ++$i) {
                    $middle = ($from + $to) / 2;
                    ('' === $refusal($middle)) === ('' === $was) ? $from = $middle : $to = $middle;
                }
                $edges[] = [round($to, 6), '' === $is ? $was : $is];
            }
            [$low, $was] = [$high, $is];
        }

        return $edges;
    }

    /** @return list<float> */
    private static function numbers(string $text): array
    {
        $text = (string) preg_replace('~(?<=\d)[\x{202F}\x{A0} ](?=\d{3}\b)~u', '', $text);
        preg_match_all('~\d+(?:\.\d+)?~', $text, $m);

        return array_map(floatval(...), $m[0]);
    }
}
