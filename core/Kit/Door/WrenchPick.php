<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Kit\Door;

use NimbleKnuckle\Core\Kit\Calibration;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;
use NimbleKnuckle\Core\Tightening\RangeDrawing;

/**
 * Which wrench of a kit for each of some torques, how far off it may be, and why not the others. Torques in N·m, error in
 * percent of reading. Usable from 20 % of full scale and inside the range; calibration holds twelve months (ISO 6789-1).
 */
final readonly class WrenchPick implements Sum
{
    /** @param ?\DateTimeImmutable $today what a calibration date is held against; without it a date cannot be judged */
    public function __construct(private ?\DateTimeImmutable $today = null)
    {
    }

    public function about(): About
    {
        return new About('wrench-pick', 'Wrench choice', 'How to tighten it', static fn (): array => [
            Field::text('targets', 'Figures', '9 N·m; 22 N·m; 85 N·m', 'One, or several with semicolons between.'),
            Field::text(
                'kit', 'Wrenches',
                '[{"name":"3/8 in click wrench","min":10,"max":60,"drive":"3/8 in","error":4,"calibrated":"2026-01-15"}]',
                'A list of name, min, max, drive, error (percent), calibrated (date); or a line each: name, min, max, error, date.',
            ),
        ]);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Take the',
            array_map(
                static fn (float|string $name): array => ['number' => '' === $name ? 'none' : (string) $name, 'unit' => ''],
                array_slice(array_values(array_unique($r->entries('pick'))), 0, 4),
            ),
            '',
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['ranges', RangeDrawing::of(array_map(static fn (Wrench $w): array => [
            'name' => $w->name, 'min' => $w->min, 'max' => $w->max, 'usable' => $w->lowestUsable(), 'late' => $w->isPastCalibration(),
        ], $this->wrenches($in)), $in->numbers('targets', Kind::Torque))];
    }

    public function compute(Inputs $in): SumResult
    {
        $targets = $in->numbers('targets', Kind::Torque);
        [$wrenches, $undated] = $this->kit($in);
        $kit = new Kit($wrenches, []);
        $picks = $bands = $checks = $working = [];
        foreach ($targets as $target) {
            $target > 0.0 || throw InvalidInput::in('targets', 'A figure must be more than zero.');
            $wrench = $kit->pick($target);
            $picks[] = $wrench->name ?? '';
            $bands[] = null === $wrench ? 0.0 : $target * $wrench->error / 100;
            $checks[] = $this->judged($target, $wrench, $wrenches);
            array_push($working, ...$this->working($target, $wrench, $wrenches));
        }
        if ([] !== $undated) {
            $checks[] = Check::watch('no-calibration', sprintf('No calibration date for %s.', implode(', ', $undated)));
        }

        return new SumResult($this->about()->name, $in->raw, [
            'pick' => Value::names($picks),
            'error_band' => Value::listOf($bands, Unit::NewtonMetre->value),
        ], $checks, $working);
    }

    /**
     * @param non-empty-list<Wrench> $all
     *
     * @return list<Working>
     */
    private function working(float $target, ?Wrench $wrench, array $all): array
    {
        $reach = static fn (Wrench $w): string => sprintf('%s %s to %s', $w->name, Show::n($w->lowestUsable()), Show::n($w->max));
        $usable = new Working(
            sprintf('Usable at %s N·m', Show::n($target)), 'max(min, 0.2 max) ≤ T ≤ max', implode('; ', array_map($reach, $all)),
            null === $wrench ? 'none' : $wrench->name, 'a wrench is calibrated from 20 % of its scale, ISO 6789-1',
        );
        if (null === $wrench) {
            return [$usable];
        }
        $share = $wrench->error / 100;

        return [new Working(
            sprintf('Band at %s N·m', Show::n($target)), 'B = error × T',
            sprintf('%s %% of %s', Show::n($wrench->error), Show::n($target)),
            sprintf(
                '± %s N·m, from %s to %s', Show::n($target * $share), Show::n($target * (1 - $share)), Show::n($target * (1 + $share)),
            ),
            'ISO 6789-1, deviation of the reading',
        ), $usable];
    }

    /**
     * @return non-empty-list<Wrench> the wrenches as they were given
     *
     * @throws InvalidInput
     */
    public function wrenches(Inputs $in): array
    {
        return $this->kit($in)[0];
    }

    /** @param non-empty-list<Wrench> $all */
    private function judged(float $target, ?Wrench $wrench, array $all): Check
    {
        $lost = [];
        foreach ($all as $other) {
            if ($other !== $wrench) {
                $lost[] = sprintf('%s %s', $other->name, $this->whyNot($other, $target, $wrench));
            }
        }
        $others = [] === $lost ? '' : ' '.implode('; ', $lost).'.';

        return match (true) {
            null === $wrench => Check::stop('none-usable', sprintf('%s N·m: no wrench of these reaches it.%s', Show::n($target), $others)),
            $wrench->isPastCalibration() => Check::watch(
                'past-calibration',
                sprintf('%s N·m: only the %s reaches it, and it is past its calibration.%s', Show::n($target), $wrench->name, $others),
            ),
            default => Check::ok(
                'pick',
                sprintf(
                    '%s N·m: %s, within ± %s N·m.%s', Show::n($target), $wrench->name, Show::n($target * $wrench->error / 100, 2),
                    $others,
                ),
            ),
        };
    }

    private function whyNot(Wrench $other, float $target, ?Wrench $winner): string
    {
        return match (true) {
            $target > $other->max => sprintf('ends at %s', Show::n($other->max)),
            !$other->reaches($target) => sprintf('is to be trusted from %s only', Show::n($other->lowestUsable())),
            $other->isPastCalibration() && null !== $winner && !$winner->isPastCalibration() => 'is past its calibration',
            $other->error > ($winner->error ?? 0.0) => sprintf(
                'reads within %s %%, the other within %s %%', Show::n($other->error), Show::n($winner->error ?? 0.0),
            ),
            default => 'has the longer scale',
        };
    }

    /** @return array{non-empty-list<Wrench>, list<string>} the wrenches, and the names of those without a calibration date */
    private function kit(Inputs $in): array
    {
        $raw = $in->raw['kit'] ?? null;
        $isLines = is_string($raw) && !str_starts_with(ltrim($raw), '[');
        $rows = $isLines ? preg_split('~\s*[;\n]\s*~', trim($raw), -1, \PREG_SPLIT_NO_EMPTY) ?: [] : $in->items('kit');
        $wrenches = $undated = [];
        foreach (array_values($rows) as $i => $row) {
            $row = is_string($row) ? $this->line($row) : $row;
            is_array($row) || throw InvalidInput::in('kit', sprintf('Wrench %d: give name, min, max, drive, error.', $i + 1));
            $wrenches[] = $wrench = $this->wrench($row, $i + 1);
            if (in_array($row['calibrated'] ?? null, [null, ''], true)) {
                $undated[] = $wrench->name;
            }
        }

        return [] === $wrenches ? throw InvalidInput::in('kit', 'No wrench stands there.') : [$wrenches, $undated];
    }

    /** @param array<array-key, mixed> $row */
    private function wrench(array $row, int $number): Wrench
    {
        $name = is_scalar($row['name'] ?? null) ? trim((string) $row['name']) : sprintf('wrench %d', $number);
        $min = $this->torque($row['min'] ?? null, $name, 'min');
        $max = $this->torque($row['max'] ?? null, $name, 'max');
        $max > $min || throw InvalidInput::in('kit', sprintf('%s: its range must rise, from min to max.', $name));

        return new Wrench(
            $name, is_scalar($row['drive'] ?? null) ? (string) $row['drive'] : '', $min, $max,
            $this->error($row['error'] ?? $row['error_percent'] ?? $row['error percent'] ?? 4, $name), 0.0,
            $this->daysPast($row['calibrated'] ?? null, $name),
        );
    }

    /** @return array<string, string> “3/8 in click wrench, 10, 60, 4, 2026-01-15” */
    private function line(string $line): array
    {
        $parts = array_map(trim(...), explode(',', $line));
        count($parts) >= 3 || throw InvalidInput::in('kit', 'A line is: name, min, max, error in percent, calibration date.');

        return ['name' => $parts[0], 'min' => $parts[1], 'max' => $parts[2], 'error' => $parts[3] ?? '4', 'calibrated' => $parts[4] ?? ''];
    }

    private function torque(mixed $value, string $name, string $which): float
    {
        try {
            return is_string($value) || is_int($value) || is_float($value)
                ? Notation::read(Kind::Torque, $value)->value()
                : throw InvalidInput::in('kit', sprintf('%s: “%s” is needed.', $name, $which));
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('kit', sprintf('%s, %s: %s', $name, $which, $e->getMessage()));
        }
    }

    private function error(mixed $value, string $name): float
    {
        $error = is_string($value) ? rtrim(trim($value), ' %') : $value;

        return is_numeric($error) && $error >= 0 && $error <= 25 ? (float) $error : throw InvalidInput::in(
            'kit', sprintf('%s: its error is 0 to 25 percent.', $name),
        );
    }

    private function daysPast(mixed $calibrated, string $name): int
    {
        if (null === $calibrated || '' === $calibrated || is_bool($calibrated)) {
            return false === $calibrated ? 1 : 0;
        }
        if ('true' === $calibrated || 'false' === $calibrated) {
            return 'false' === $calibrated ? 1 : 0;
        }
        $date = is_string($calibrated) && 1 === preg_match('~\A\d{4}-\d\d-\d\d~', $calibrated) ? date_create_immutable($calibrated) : false;
        false !== $date || throw InvalidInput::in(
            'kit', sprintf('%s: write its calibration as a date, 2026-01-15, or true or false.', $name),
        );
        null !== $this->today || throw InvalidInput::in('kit', sprintf('%s: a date cannot be judged here; say true or false.', $name));

        return Calibration::daysPast($date, $this->today);
    }
}
