<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Gate\ActuatorFault;
use NimbleKnuckle\Core\Gate\ActuatorModel;
use NimbleKnuckle\Core\Gate\ActuatorTest;
use NimbleKnuckle\Core\Gate\Door\ActuatorSaid;
use NimbleKnuckle\Core\Gate\PumpDrawing;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\NumberRows;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A wastegate actuator on a hand pump: kPa and mm of its rod, up and then down; and how it holds. */
final readonly class PumpCurve implements StepCurve
{
    /** Where this is asked, the part is the old one: nothing it shows holds the work up. */
    private const OLD = 'gate_cracks_before';
    private const CRACKS = [self::OLD, 'gate_bare', 'gate_cracks_after'];

    public function kind(): CurveKind
    {
        return CurveKind::Actuator;
    }

    public function device(): DeviceKind
    {
        return DeviceKind::Pump;
    }

    public function words(): CurveWords
    {
        return new CurveWords(
            'Its rows', 'Pump it up once more', 'kPa and mm of the rod, a row each, up and then down',
            "0 0\n40 0\n60 1.6\n90 5.6\n60 1.9\n0 0", 'The simulated pump', 'Pump it up and down',
        );
    }

    public function isTaken(Fit $fit, Step $step): bool
    {
        return [] !== array_filter($fit->readings()->asks($step), static fn (Ask $one): bool => in_array($one->field, self::CRACKS, true));
    }

    public function asked(Fit $fit, Step $step): array
    {
        return [
            new CurveField('label', 'Its label says, kPa', '', 'where it has one'),
            new CurveField('hold', 'Held: kPa, kPa then, seconds', '', '90 88 10'),
        ];
    }

    public function task(Fit $fit, Step $step, array $given): array
    {
        $wanted = $fit->state->readingOf('gate_wanted')->value ?? 0.0;
        $isOld = [] !== array_filter($fit->readings()->asks($step), static fn (Ask $one): bool => self::OLD === $one->field);

        return array_filter([
            'wanted' => $wanted, 'old' => $isOld ? 1.0 : 0.0, 'label' => self::label($given['label'] ?? ''),
        ]) + self::hold($given['hold'] ?? '');
    }

    public function samples(array $rows): array
    {
        return (new CurveRows([[-5.0, 1000.0], [-100.0, 100.0]], 'kPa up to 1 000, then mm up to 100', 4, false))->of($rows);
    }

    public function judged(array $samples, array $task): CurveVerdict
    {
        $test = self::test($samples, $task);
        $cracks = null === $test->cracks ? [] : array_fill_keys(self::CRACKS, round($test->cracks, 2));
        $rate = null === $test->rate ? [] : ['gate_rate' => round($test->rate, 3)];
        $holds = null === $test->lost ? [] : ['gate_holds' => $test->lost > 0.1 ? 2.0 : 1.0];
        $verdict = CurveVerdict::of($test->finding->value, ActuatorSaid::of($test), $cracks + $rate + $holds);

        return isset($task['old']) ? $verdict->ofTheOld() : $verdict;
    }

    public function faults(): array
    {
        return array_column(array_map(
            static fn (ActuatorFault $one): array => [$one->value, $one->label()], ActuatorFault::cases(),
        ), 1, 0);
    }

    public function simulated(array $task, string $fault, int $seed): array
    {
        return $this->model($task, $fault, $seed)->test()['samples'];
    }

    /**
     * How the simulated one holds, kPa, kPa and s.
     *
     * @param array<string, float> $task
     *
     * @return array<string, float>
     */
    public function held(array $task, string $fault, int $seed): array
    {
        [$from, $to, $seconds] = $this->model($task, $fault, $seed)->test()['hold'];

        return ['hold_from' => $from, 'hold_to' => $to, 'hold_seconds' => $seconds];
    }

    public function plot(array $samples, array $task, array $before): ?Plot
    {
        return [] === $samples ? null : PumpDrawing::of(
            Pairs::of($samples), self::test($samples, $task), $task['label'] ?? null, Pairs::of($before),
        );
    }

    /** @param array<string, float> $task */
    private function model(array $task, string $fault, int $seed): ActuatorModel
    {
        return new ActuatorModel(ActuatorFault::tryFrom($fault) ?? ActuatorFault::None, $seed, $task['label'] ?? $task['wanted'] ?? null);
    }

    /**
     * @param non-empty-list<list<float>> $samples
     * @param array<string, float> $task
     */
    private static function test(array $samples, array $task): ActuatorTest
    {
        return ActuatorTest::of(
            Pairs::of($samples), $task['label'] ?? null, $task['full'] ?? null,
            isset($task['hold_from']) ? [$task['hold_from'], $task['hold_to'] ?? 0.0, $task['hold_seconds'] ?? 1.0] : null,
        );
    }

    private static function label(string $text): float
    {
        if ('' === trim($text)) {
            return 0.0;
        }
        try {
            $label = Notation::read(Kind::Pressure, $text)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('label', 'What its label says: '.$e->getMessage());
        }

        return $label >= 1.0 && $label <= 400.0 ? $label : throw InvalidInput::in('label', 'What its label says is from 1 to 400 kPa.');
    }

    /** @return array<string, float> */
    private static function hold(string $text): array
    {
        if ('' === trim($text)) {
            return [];
        }
        try {
            [$from, $to, $seconds] = [...(NumberRows::read($text)[0] ?? []), 0.0, 0.0, 0.0];
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('hold', 'How it held: '.$e->getMessage());
        }

        return $from > 0.0 && $to > 0.0 && $to <= $from && $seconds >= 1.0
            ? ['hold_from' => $from, 'hold_to' => $to, 'hold_seconds' => $seconds]
            : throw InvalidInput::in('hold', 'How it held is three numbers: kPa at first, kPa then and no more, after how many seconds.');
    }
}
