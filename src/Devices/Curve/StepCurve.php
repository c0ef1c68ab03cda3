<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A curve a step of the bench takes, from a device, as rows, or simulated: what it is held against and what it comes to. */
interface StepCurve
{
    public function kind(): CurveKind;

    public function device(): DeviceKind;

    public function words(): CurveWords;

    /** Whether the step takes it just now. */
    public function isTaken(Fit $fit, Step $step): bool;

    /** @return list<CurveField> what is asked with a curve, with what stands there at first */
    public function asked(Fit $fit, Step $step): array;

    /**
     * What it is held against, as the reading keeps it.
     *
     * @param array<string, string> $given the fields that were asked, as typed
     *
     * @return array<string, float>
     *
     * @throws InvalidInput where something is missing, and what
     */
    public function task(Fit $fit, Step $step, array $given): array;

    /**
     * @param list<list<float>> $rows
     *
     * @return non-empty-list<non-empty-list<float>>
     *
     * @throws InvalidInput naming the row
     */
    public function samples(array $rows): array;

    /**
     * @param non-empty-list<non-empty-list<float>> $samples
     * @param array<string, float> $task
     */
    public function judged(array $samples, array $task): CurveVerdict;

    /** @return array<string, string> what the simulated one can be told to do => in words */
    public function faults(): array;

    /**
     * @param array<string, float> $task
     *
     * @return non-empty-list<non-empty-list<float>>
     */
    public function simulated(array $task, string $fault, int $seed): array;

    /**
     * @param list<list<float>> $samples
     * @param array<string, float> $task
     * @param list<list<float>> $before the one before it
     */
    public function plot(array $samples, array $task, array $before): ?Plot;
}
