<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Task\PressTask;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\PressFit\Door\PressSaid;
use NimbleKnuckle\Core\PressFit\PressCurve;
use NimbleKnuckle\Core\PressFit\PressEnd;
use NimbleKnuckle\Core\PressFit\PressFault;
use NimbleKnuckle\Core\PressFit\PressModel;
use NimbleKnuckle\Core\PressFit\ScrewDrawing;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A hub that is pressed on: mm and N·m at the nut of its screw. */
final readonly class HubCurve implements StepCurve
{
    public function kind(): CurveKind
    {
        return CurveKind::Press;
    }

    public function device(): DeviceKind
    {
        return DeviceKind::Press;
    }

    public function words(): CurveWords
    {
        return new CurveWords(
            'Its curve', 'Another curve', 'mm and N·m, a row each', "0 8\n5 60\n28 64\n28.2 150", 'The simulated press', 'Press it on',
        );
    }

    public function isTaken(Fit $fit, Step $step): bool
    {
        return null !== PressTask::of($fit, $step);
    }

    public function asked(Fit $fit, Step $step): array
    {
        return [];
    }

    public function task(Fit $fit, Step $step, array $given): array
    {
        $task = PressTask::of($fit, $step) ?? throw InvalidInput::in(
            'rows', 'What is tight is not known yet: measure shaft, bore, outside and length of the fit first.',
        );

        return ['torque' => $task->torque, 'travel' => $task->travel];
    }

    public function samples(array $rows): array
    {
        return (new CurveRows([[0.0, 1e5], [0.0, 1e5]], 'two numbers that are not less than nothing: mm, then N·m', 4, true))->of($rows);
    }

    public function judged(array $samples, array $task): CurveVerdict
    {
        $judged = PressCurve::judge(Pairs::of($samples), $task['torque'], $task['travel']);

        return CurveVerdict::of($judged->isEasy ? PressEnd::Free->value : $judged->end->value, PressSaid::of($judged)[0]);
    }

    public function faults(): array
    {
        return array_column(array_map(static fn (PressFault $one): array => [$one->value, $one->label()], PressFault::cases()), 1, 0);
    }

    public function simulated(array $task, string $fault, int $seed): array
    {
        return (new PressModel($task['torque'], $task['travel'], PressFault::tryFrom($fault) ?? PressFault::None, $seed))->samples();
    }

    public function plot(array $samples, array $task, array $before): Plot
    {
        return ScrewDrawing::of($task['torque'], $task['travel'], Pairs::of($samples));
    }
}
