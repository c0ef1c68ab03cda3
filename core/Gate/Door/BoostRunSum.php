<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate\Door;

use NimbleKnuckle\Core\Gate\BoostRun;
use NimbleKnuckle\Core\Gate\RunDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of a run at full throttle: s, rpm, kPa and percent in, what the boost does out. */
final readonly class BoostRunSum implements Sum
{
    private const MOST = 20_000;
    private const OPEN = 90.0;

    public function about(): About
    {
        return new About('boost-run', 'Judge a boost run', 'Gate and boost', static fn (): array => [
            Field::text(
                'samples', 'The run', '0 2500 10 100; 1 3000 60 100; 2 3600 95 100',
                's, rpm, kPa, throttle in percent. Recorded, or read by a second person.',
            ),
            Field::text('target', 'Boost wanted', '100 kPa', 'One figure; or “3000 80; 6000 100” by rpm.'),
            Field::quantity('limit', 'Never over', Kind::Pressure, '130 kPa')->within(1.0, 700.0)->optional(),
        ], ['samples' => '0 2500 12 100; 0.5 2750 30 100; 1 3000 58 100; 1.5 3250 84 100; 2 3500 98 100; 2.5 3750 101 100; 3 4000 100 100; '
                .'3.5 4250 99 100; 4 4500 100 100; 4.5 4750 101 100; 5 5000 100 100; 5.5 5250 99 100; 6 5500 100 100',
            'limit' => '125 kPa']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            str_replace('-', ' ', ucfirst((string) ($r->entries('finding')[0] ?? ''))), [Headline::figure($r->number('peak'), 'kPa')],
            Headline::joined(
                'at the most', $r->has('reached_rpm') ? sprintf('there from %s rpm', Show::n($r->number('reached_rpm'), 4)) : '',
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['plot', RunDrawing::of(
            self::samples($in), self::target($in), $in->has('limit') ? $in->pressure('limit')->kilopascals : null,
        )];
    }

    public function compute(Inputs $in): SumResult
    {
        $limit = $in->has('limit') ? $in->pressure('limit')->kilopascals : null;
        $samples = self::samples($in);
        $run = BoostRun::of($samples, self::target($in), $limit) ?? throw InvalidInput::in(
            'samples', 'Four readings in a row with the throttle over 90 % are needed: this run has none.',
        );

        return new SumResult($this->about()->name, $in->raw, array_filter([
            'finding' => Value::names([$run->finding->value]), 'peak' => Value::of($run->peak, Unit::Kilopascal->value),
            'reached_rpm' => null === $run->reached ? null : Value::of($run->reached, Unit::PerMinute->value),
            'settled' => null === $run->settled ? null : Value::of($run->settled, Unit::Kilopascal->value),
        ]), [BoostSaid::of($run)], [
            new Working(
                'Judged', 'where the throttle is over 90 %, smoothed over a quarter of a second', sprintf(
                    '%d of %d readings',
                    count(array_filter($samples, static fn (array $one): bool => $one[3] > self::OPEN)), count($samples),
                ), str_replace('-', ' ', $run->finding->value),
                'near is 8 %, a swing 8 %, a spike 12 % within a second, a taper 15 % of the target: working values',
            ),
            new Working(
                'Most', 'the highest of it', sprintf('after %s s', Show::n($run->at, 3)), Show::n($run->peak, 3).' kPa', 'as recorded',
            ),
        ]);
    }

    /** @return non-empty-list<array{float, float, float, float}> */
    private static function samples(Inputs $in): array
    {
        $rows = $in->rows('samples', 4, 4);
        count($rows) <= self::MOST || throw InvalidInput::in('samples', sprintf('%d readings at most.', self::MOST));
        $samples = array_map(static fn (array $row): array => [$row[0], $row[1] ?? 0.0, $row[2] ?? 0.0, $row[3] ?? 0.0], $rows);
        foreach ($samples as $i => $one) {
            self::isReading($one) || throw InvalidInput::in(
                'samples', sprintf('Row %d: s, rpm, kPa over the air outside, throttle in percent.', $i + 1),
            );
            0 === $i || $one[0] >= $samples[$i - 1][0] || throw InvalidInput::in('samples', sprintf('Row %d goes back in time.', $i + 1));
        }

        return $samples;
    }

    /** @param array{float, float, float, float} $one */
    private static function isReading(array $one): bool
    {
        foreach ([[0.0, 20_000.0], [-100.0, 700.0], [0.0, 110.0]] as $i => [$low, $high]) {
            if ($one[$i + 1] < $low || $one[$i + 1] > $high) {
                return false;
            }
        }

        return true;
    }

    /** @return \Closure(float): float */
    private static function target(Inputs $in): \Closure
    {
        $raw = $in->raw['target'] ?? null;
        if (!is_array($raw) && 1 !== preg_match('~[;\[]~', is_scalar($raw) ? (string) $raw : '')) {
            $flat = $in->pressure('target', 5.0, 700.0)->kilopascals;

            return static fn (float $rpm): float => $flat;
        }
        $rows = array_map(static fn (array $row): array => [$row[0], $row[1] ?? 0.0], $in->rows('target', 2, 2));
        usort($rows, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($rows as [, $kpa]) {
            $kpa >= 5.0 && $kpa <= 700.0 || throw InvalidInput::in('target', 'A target is from 5 to 700 kPa at each speed.');
        }

        return static fn (float $rpm): float => self::between($rows, $rpm);
    }

    /**
     * On the straight pieces between them; level before the first and after the last.
     *
     * @param non-empty-list<array{float, float}> $rows
     */
    private static function between(array $rows, float $rpm): float
    {
        $before = $rows[0];
        foreach ($rows as [$at, $kpa]) {
            if ($rpm <= $at) {
                return $at <= $before[0] ? $kpa : $before[1] + ($kpa - $before[1]) * ($rpm - $before[0]) / ($at - $before[0]);
            }
            $before = [$at, $kpa];
        }

        return $before[1];
    }
}
