<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\ChargeAir\Door\LeakSaid;
use NimbleKnuckle\Core\ChargeAir\LeakDrawing;
use NimbleKnuckle\Core\ChargeAir\LeakFault;
use NimbleKnuckle\Core\ChargeAir\LeakModel;
use NimbleKnuckle\Core\ChargeAir\LeakRun;
use NimbleKnuckle\Core\ChargeAir\Line\ChargeLine;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A charge path that is shut under pressure: s and kPa, read many times. */
final readonly class LeakCurve implements StepCurve
{
    /** The stage of the routine in which it is left alone. */
    public const STAGE = 'stand';
    private const CELSIUS = 20.0;

    public function kind(): CurveKind
    {
        return CurveKind::Leak;
    }

    public function device(): DeviceKind
    {
        return DeviceKind::Gauge;
    }

    public function words(): CurveWords
    {
        return new CurveWords(
            'A gauge that records', 'Another run of the gauge', 's and kPa, a row each', "0 100\n10 98.5\n20 97.1\n30 95.6",
            'The simulated path', 'Shut it and watch',
        );
    }

    /** Where it is a routine, in the stage that leaves it alone. */
    public function isTaken(Fit $fit, Step $step): bool
    {
        $run = $fit->routine($step);

        return null === $run || $run->isBegun() && self::STAGE === $run->stage()->id;
    }

    public function asked(Fit $fit, Step $step): array
    {
        return [];
    }

    public function task(Fit $fit, Step $step, array $given): array
    {
        $line = $fit->vehicle->charge;
        $litres = $fit->state->readingOf('charge_volume')->value ?? self::litres($line);
        $litres > 0.0 || throw InvalidInput::in('rows', 'How much is shut in is not known yet: write it down first.');
        $boost = $fit->state->readingOf('boost_limit')->value ?? $line->boost ?? 0.0;

        return [
            'litres' => $litres, 'boost' => $boost, 'flow' => null === $line ? 0.0 : self::flow($line, $boost),
            'from' => $fit->state->readingOf('test_from')->value ?? 0.0,
        ];
    }

    public function samples(array $rows): array
    {
        $samples = (new CurveRows([[0.0, 1e5], [-5.0, 1000.0]], 's, then kPa over the air outside', LeakRun::LEAST, true))->of($rows);
        $lasts = $samples[count($samples) - 1][0] - $samples[0][0];

        return $lasts >= LeakRun::LASTS ? $samples : throw InvalidInput::in(
            'rows', sprintf('It was watched for %s s: %s at the least.', round($lasts, 1), LeakRun::LASTS),
        );
    }

    public function judged(array $samples, array $task): CurveVerdict
    {
        $run = self::run($samples, $task);
        $check = LeakSaid::of($run, Pressure::kilopascals($task['boost'] > 0.0 ? $task['boost'] : max(1.0, $run->from)), $task['flow']);

        return CurveVerdict::of(
            $run->finding->value, $check, ['test_from' => round($run->from, 2), 'test_to' => round($run->to, 2)], $run->apart(),
        );
    }

    public function faults(): array
    {
        return array_column(array_map(static fn (LeakFault $one): array => [$one->value, $one->label()], LeakFault::cases()), 1, 0);
    }

    public function simulated(array $task, string $fault, int $seed): array
    {
        $from = $task['from'] > 0.0 ? $task['from'] : ($task['boost'] ?: 100.0);

        return (new LeakModel($task['litres'], $from, LeakFault::tryFrom($fault) ?? LeakFault::None, $seed))->samples();
    }

    public function plot(array $samples, array $task, array $before): ?Plot
    {
        return [] === $samples ? null : LeakDrawing::run(Pairs::of($samples), self::run($samples, $task));
    }

    /**
     * @param non-empty-list<list<float>> $samples
     * @param array<string, float> $task
     */
    private static function run(array $samples, array $task): LeakRun
    {
        return LeakRun::of(
            Pairs::of($samples), Volume::litres($task['litres']), Temperature::celsius(self::CELSIUS),
            Pressure::kilopascals(Air::SEA_LEVEL),
        );
    }

    private static function litres(?ChargeLine $line): float
    {
        return null === $line ? 0.0 : $line->volume();
    }

    /** g/s the engine breathes at its most; 0 where nobody said. */
    private static function flow(ChargeLine $line, float $boost): float
    {
        $breath = $line->breath;

        return !$breath->isKnown() ? 0.0 : 1000 * \NimbleKnuckle\Core\ChargeAir\ChargePath::breathed(
            $breath->litres, $breath->rpm, $breath->efficiency / 100, Air::SEA_LEVEL + $boost, $breath->temperature,
        );
    }
}
