<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Task;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\StageKind;
use NimbleKnuckle\Core\Bench\Joint\TighteningStage;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\JointData;
use NimbleKnuckle\Core\Trace\JointModel;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\TraceSpec;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\JointMechanics;

/**
 * What a wrench that measures is to do next at a joint: which fastener, to which torque or angle, what the trace is held
 * against, and which stages it reaches when the trace is sound. Torques in N·m, angles in degrees.
 */
final readonly class WrenchTask
{
    /** Degrees a bolt run down by hand still turns before it clamps. */
    public const FROM_SNUG = 25.0;

    /** @param non-empty-list<int> $stages reached one after the other when it is sound */
    private function __construct(
        public Joint $joint, public int $bolt, public array $stages, public TraceSpec $spec, public JointMechanics $mechanics,
    ) {
    }

    /** Null while the joint is started and run down by hand, when it is final, and where figure or thread are missing. */
    public static function next(Fit $fit, Joint $joint): ?self
    {
        $mechanics = JointMechanics::of($joint);
        [$bolt, $stage] = $fit->joints()->nextBolt($joint);
        if (0 === $bolt || null === $mechanics || !$joint->hasFigure()) {
            return null;
        }
        $ladder = TighteningStages::of($joint);
        $rung = $ladder->rung($stage);
        $from = $joint->torqueAt($ladder->shareAt($stage - 1));
        if ($rung->isByTorque()) {
            return new self(
                $joint, $bolt, [$stage],
                TraceSpec::torque($joint->torqueAt($rung->share), min($from, 0.97 * $joint->torqueAt($rung->share))), $mechanics,
            );
        }

        return StageKind::Angle === $rung->kind ? self::byAngle($joint, $bolt, $stage, $ladder, $from, $mechanics) : null;
    }

    /** The pulls that are left of the angle, in one trace; those made by hand before have raised the torque it starts from. */
    private static function byAngle(
        Joint $joint, int $bolt, int $stage, TighteningStages $ladder, float $from, JointMechanics $mechanics,
    ): self {
        $left = array_values(
            array_filter($ladder->rungs, static fn (TighteningStage $r): bool => StageKind::Angle === $r->kind && $r->stage >= $stage),
        );
        $degrees = array_sum(array_map(static fn (TighteningStage $r): float => $r->degrees, $left));
        $start = $from + ($joint->going->angle - $degrees) * $mechanics->expected()->slope;
        $stages = array_map(static fn (TighteningStage $r): int => $r->stage, $left);

        return new self($joint, $bolt, [] === $stages ? [$stage] : $stages, TraceSpec::angle($start, $degrees, $start), $mechanics);
    }

    public function stage(): int
    {
        return $this->stages[count($this->stages) - 1];
    }

    /** The slope of its springs; how far it runs down is not known, as it was run down by hand. */
    public function expected(): JointData
    {
        return JointData::of($this->mechanics->bolt, $this->mechanics->springs, 0.0, $this->mechanics->gripAssumed);
    }

    /** The joint as the simulated wrench feels it. */
    public function model(Fault $fault, int $seed): JointModel
    {
        $target = $this->spec->isByAngle() ? $this->spec->torque + $this->spec->angle * $this->expected()->slope : $this->spec->torque;

        return JointModel::of(
            $this->mechanics->bolt, $this->mechanics->springs, $target, self::FROM_SNUG, $fault, $seed, $this->spec->from,
        );
    }

    /** Whether a judged trace brings the fastener to its stage: sound, or yielding where that is meant. */
    public function isMetBy(Judgement $judged): bool
    {
        return $judged->symptom->isSound()
            || $this->spec->isByAngle() && $judged->symptom->isYielding() && $this->mechanics->goesIntoYield();
    }

    /** In words: “bolt 3 to 9 N·m”. */
    public function inWords(): string
    {
        $what = 1 === $this->joint->count() ? 'the bolt' : sprintf('bolt %d', $this->bolt);

        return $this->spec->isByAngle() ? sprintf(
            '%s, %g° on', $what, round($this->spec->angle, 1),
        ) : sprintf('%s to %g N·m', $what, round($this->spec->torque, 2));
    }
}
