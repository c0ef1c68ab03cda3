<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Working;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A line of working is followed with a pencil: the numbers in their places come to what is printed beside them. */
#[CoversClass(Working::class)]
final class WorkingTest extends TestCase
{
    /** What is printed in another unit, or in degrees Celsius where kelvins were reckoned with. */
    private const SAID_OTHERWISE = ['Amount' => 1e-3, 'To expect before it' => null];

    /** These show at least one line that is followed by numbers alone. */
    private const ALL_BY_NUMBER = [
        'vacuum-fill', 'coolant-mix', 'coolant-level', 'oil-fill', 'clamp-size', 'thermostat-test', 'thread-engagement', 'torque-check',
        'angle-tighten', 'even-take-up', 'wrench-set', 'bolt-reuse', 'seal-squeeze', 'charge-cooler', 'press-fit', 'press-screw',
        'pulley-change', 'belt-slip', 'belt-line', 'clearance', 'volt-drop', 'chain-travel', 'mount-shares',
    ];

    /** @return iterable<string, array{string}> */
    public static function sums(): iterable
    {
        foreach (array_keys(Doors::book()->all()) as $name) {
            yield $name => [$name];
        }
    }

    #[DataProvider('sums')]
    public function testTheNumbersInTheirPlacesComeToWhatIsSaid(string $name): void
    {
        $followed = 0;
        foreach ($this->examples($name) as $given) {
            try {
                $lines = Doors::book()->run($name, $given)->working;
            } catch (InvalidInput) {
                continue;
            }
            foreach ($lines as $line) {
                $followed += $this->follow($line) ? 1 : 0;
            }
        }
        self::assertTrue($followed > 0 || !in_array($name, self::ALL_BY_NUMBER, true), $name.' shows no line that can be followed.');
    }

    /** @return iterable<array<string, string>> */
    private function examples(string $name): iterable
    {
        yield Doors::book()->named($name)->about()->example();
        foreach (Worked::rows()[$name] ?? [] as $case) {
            yield $case['inputs'];
        }
    }

    private function follow(Working $line): bool
    {
        $plain = str_replace([Digits::GROUP, ' N'], '', $line->with);
        try {
            $value = Formula::of($plain, [])->value;
        } catch (\LogicException) {
            return false;
        }
        $result = str_replace(Digits::GROUP, '', $line->result);
        $times = array_key_exists($line->label, self::SAID_OTHERWISE) ? self::SAID_OTHERWISE[$line->label] : 1.0;
        if (null === $times || 1 !== preg_match('~-?\d+(\.\d+)?~', $result, $number)) {
            return false;
        }
        $said = (float) $number[0];
        $value = match (true) {
            str_contains($line->formula, 'rounded up') => ceil($value - 1e-9),
            1 === preg_match('~at least (\d+(\.\d+)?)~', $line->formula, $least) => max($value, (float) $least[1]),
            str_contains($result, '%') && abs($said) > 20 * abs($value) => 100 * $value,
            default => $times * $value,
        };
        self::assertEqualsWithDelta(
            $said, $value, 0.02 * abs($value) + 0.001,
            sprintf('%s: %s | %s | %s', $line->label, $line->formula, $line->with, $line->result),
        );

        return true;
    }
}
