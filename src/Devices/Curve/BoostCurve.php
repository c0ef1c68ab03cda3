<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Gate\BoostFault;
use NimbleKnuckle\Core\Gate\BoostModel;
use NimbleKnuckle\Core\Gate\BoostRun;
use NimbleKnuckle\Core\Gate\Door\BoostSaid;
use NimbleKnuckle\Core\Gate\RunDrawing;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A run at full throttle: s, rpm, kPa over the air outside, throttle in percent. */
final readonly class BoostCurve implements StepCurve
{
    public function kind(): CurveKind
    {
        return CurveKind::Boost;
    }

    public function device(): DeviceKind
    {
        return DeviceKind::Logger;
    }

    public function words(): CurveWords
    {
        return new CurveWords(
            'Hand in a run', 'Hand in the next run', 's, rpm, kPa, throttle in percent, a row each',
            "0 2500 12 100\n1 3000 58 100\n2 3500 98 100\n3 4000 100 100", 'The simulated run', 'Run it',
            'Recorded, or read by a second person: nobody taps while driving. The first run stays well below, then up.',
        );
    }

    public function isTaken(Fit $fit, Step $step): bool
    {
        return true;
    }

    public function asked(Fit $fit, Step $step): array
    {
        $limit = $fit->state->readingOf('boost_limit')?->value;

        $isFirst = !isset($fit->state->curves[$step->id]);
        $first = null === $limit || !$isFirst ? '' : (string) round(BoostRun::aim($limit, true));

        return [new CurveField(
            'target', 'This run aims at, kPa', $first, null === $limit ? '80' : (string) round(BoostRun::aim($limit, false)),
        )];
    }

    public function task(Fit $fit, Step $step, array $given): array
    {
        $limit = $fit->state->readingOf('boost_limit')->value ?? throw InvalidInput::in(
            'rows', 'What boost must never pass is not known yet: write it down first.',
        );
        $text = trim($given['target'] ?? '');
        '' !== $text || throw InvalidInput::in('target', 'Say what this run aims at, in kPa.');
        try {
            $target = Notation::read(Kind::Pressure, $text)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('target', 'What this run aims at: '.$e->getMessage());
        }
        $target >= 5.0 || throw InvalidInput::in('target', 'What a run aims at is 5 kPa or more.');
        $target <= $limit || throw InvalidInput::in('target', sprintf(
            'This run would aim at %s kPa, over the limit of %s.', round($target, 1), round($limit, 1),
        ));

        return ['target' => $target, 'limit' => $limit];
    }

    public function samples(array $rows): array
    {
        return (new CurveRows(
            [[0.0, 1e5], [0.0, 20_000.0], [-100.0, 700.0], [0.0, 110.0]], 's, rpm, kPa over the air outside, throttle in percent', 4, true,
        ))->of($rows);
    }

    public function judged(array $samples, array $task): CurveVerdict
    {
        $run = BoostRun::of(Pairs::fours($samples), static fn (float $rpm): float => $task['target'], $task['limit']);
        null !== $run || throw InvalidInput::in(
            'rows', 'Four readings in a row with the throttle over 90 % are needed: this run has none.',
        );

        return CurveVerdict::of($run->finding->value, BoostSaid::of($run), ['boost_full' => round($run->peak, 1)]);
    }

    public function faults(): array
    {
        return array_column(array_map(static fn (BoostFault $one): array => [$one->value, $one->label()], BoostFault::cases()), 1, 0);
    }

    public function simulated(array $task, string $fault, int $seed): array
    {
        return (new BoostModel($task['target'], BoostFault::tryFrom($fault) ?? BoostFault::None, $seed))->samples();
    }

    public function plot(array $samples, array $task, array $before): ?Plot
    {
        return [] === $samples ? null : RunDrawing::of(
            Pairs::fours($samples), static fn (float $rpm): float => $task['target'], $task['limit'], Pairs::fours($before),
        );
    }
}
