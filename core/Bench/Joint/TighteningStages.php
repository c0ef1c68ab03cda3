<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Joint;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Tightening\Pulls;
use NimbleKnuckle\Core\Tightening\TakeUp;
use NimbleKnuckle\Core\Vehicle\Joint;

/**
 * The stages the fasteners of a joint go through, from 1: started by hand; drawn down in rounds where there is a gap; snug;
 * the passes; the pulls of the angle; a check round at the full figure. Stage 0 is off; the last one is final.
 */
final readonly class TighteningStages
{
    public const OFF = 0;
    /** Degrees of a pull where nobody said how far the handle swings. */
    public const SWING = 90.0;

    /** @param non-empty-list<TighteningStage> $rungs */
    private function __construct(public array $rungs)
    {
    }

    public static function of(Joint $joint): self
    {
        $steps = [[StageKind::Started, 'started', 0.0, 0.0, 'a']];
        foreach (self::rounds($joint) as $i => $degrees) {
            $steps[] = [StageKind::Drawn, sprintf('drawn down, round %d', $i + 1), 0.0, $degrees, 'd'.$i];
        }
        $steps[] = [StageKind::Snug, 'snug', 0.0, 0.0, 's'];
        foreach ($joint->isByTurn() ? [] : $joint->going->passes as $i => $share) {
            $steps[] = [
                StageKind::Torque, $i === count($joint->going->passes) - 1 ? 'at the figure' : sprintf('pass %d', $i + 1), $share, 0.0,
                'p'.$i,
            ];
        }
        if ($joint->going->angle > 0.0) {
            $pulls = Pulls::of(
                Angle::degrees($joint->turn()), Angle::degrees($joint->going->swing > 0.0 ? $joint->going->swing : self::SWING),
            );
            $each = ($joint->turn() - $pulls->last->degrees) / max(1, $pulls->count - 1);
            for ($i = 1; $i <= $pulls->count; ++$i) {
                $steps[] = [
                    StageKind::Angle, sprintf('pull %d of %d', $i, $pulls->count), 0.0,
                    $i < $pulls->count ? $each : $pulls->last->degrees, 'angle',
                ];
            }
        }
        if ($joint->going->check) {
            $steps[] = [StageKind::Check, 'checked', 100.0, 0.0, 'c'];
        }

        return new self(self::numbered($steps));
    }

    public function final(): int
    {
        return count($this->rungs);
    }

    /** @throws \OutOfBoundsException for a stage that is not on the ladder */
    public function rung(int $stage): TighteningStage
    {
        return $this->rungs[$stage - 1] ?? throw new \OutOfBoundsException(sprintf('There is no stage %d.', $stage));
    }

    public function has(int $stage): bool
    {
        return $stage >= self::OFF && $stage <= $this->final();
    }

    public function label(int $stage): string
    {
        return match (true) {
            $stage <= self::OFF => 'off',
            $stage >= $this->final() => 'final',
            default => $this->rung($stage)->label,
        };
    }

    /** The stage at which a fastener is snug. */
    public function snug(): int
    {
        foreach ($this->rungs as $rung) {
            if (StageKind::Snug === $rung->kind) {
                return $rung->stage;
            }
        }

        throw new \LogicException('Every ladder has a snug rung.');
    }

    /** @return list<int> the stage each go round the joint ends at: a pass is a go, and so are all pulls of the angle */
    public function goes(): array
    {
        $tops = [];
        foreach ($this->rungs as $rung) {
            $tops[$rung->group] = $rung->stage;
        }

        return array_values($tops);
    }

    /** Percent of the figure a fastener was pulled to at a stage: the last torque up to there, 0 before. */
    public function shareAt(int $stage): float
    {
        $share = 0.0;
        foreach ($this->rungs as $rung) {
            if ($rung->stage <= $stage && $rung->isByTorque()) {
                $share = $rung->share;
            }
        }

        return $share;
    }

    /** @return list<float> degrees of each round the part is drawn down by */
    private static function rounds(Joint $joint): array
    {
        $rounds = $joint->takeUp();
        if (null === $rounds) {
            return [];
        }

        return [...array_fill(0, max(0, $rounds->count - 1), TakeUp::STEP), $rounds->last->degrees];
    }

    /**
     * @param non-empty-list<array{StageKind, string, float, float, string}> $steps
     *
     * @return non-empty-list<TighteningStage>
     */
    private static function numbered(array $steps): array
    {
        $groups = [];
        $rungs = [];
        foreach ($steps as $i => [$kind, $label, $share, $degrees, $group]) {
            $groups[$group] ??= count($groups);
            $rungs[] = new TighteningStage($i + 1, $kind, $label, $share, $degrees, $groups[$group]);
        }

        return $rungs;
    }
}
