<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Show;

/** A joint to practise on: drawn by lot, sound or not, with its figure in N·m. The same seed gives the same joint. */
final readonly class Exercise
{
    /** thread, grade, friction, shank mm, threaded mm, member, share of yield the figure has */
    private const JOINTS = [
        [
            'M6', '8.8', 'dry zinc', 0, 14, 'aluminium', 0.55,
        ], ['M6', '8.8', 'oiled', 4, 10, 'steel', 0.6], ['M8', '8.8', 'oiled', 10, 12, 'aluminium', 0.6],
        [
            'M8', '10.9', 'oiled', 0, 22, 'cast-iron', 0.6,
        ], ['M10', '8.8', 'dry zinc', 18, 14, 'aluminium', 0.6], ['M10', '10.9', 'oiled', 30, 16, 'steel', 0.65],
        [
            'M12x1.25', '10.9', 'oiled', 30, 16, 'aluminium', 0.6,
        ], ['5/16-18', 'SAE 5', 'oiled', 8, 16, 'steel', 0.6], ['3/8-16', 'SAE 8', 'dry zinc', 20, 14, 'cast-iron', 0.55],
    ];
    private const RUN_DOWN = 540.0;
    /** Every other joint is sound, as near as lots fall. */
    private const LOTS = [
        Fault::None, Fault::None, Fault::None, Fault::None, Fault::Soft, Fault::CrossThreaded, Fault::Bottomed, Fault::Stripped,
    ];

    private function __construct(public int $seed, public Fault $fault, public Bolt $bolt, public Springs $springs, public float $target)
    {
    }

    public static function drawn(int $seed): self
    {
        $luck = new Luck($seed);
        [$thread, $grade, $friction, $shank, $threaded, $member, $share] = $luck->oneOf(self::JOINTS);
        $bolt = Bolt::named($thread, $grade, $friction);
        $figure = $bolt->typicalTorque($bolt->typicalAt(Share::ofOne($share)))->newtonMetres;

        return new self(
            $seed, $luck->oneOf(self::LOTS), $bolt,
            Springs::of(
                $bolt->thread, Length::millimetres((float) $shank), Length::millimetres((float) $threaded), Member::from($member),
                $bolt->grade,
            ),
            $figure > 30 ? round($figure) : round($figure * 2) / 2,
        );
    }

    public function model(): JointModel
    {
        return JointModel::of($this->bolt, $this->springs, $this->target, self::RUN_DOWN, $this->fault, $this->seed);
    }

    public function expected(): JointData
    {
        return JointData::of($this->bolt, $this->springs, self::RUN_DOWN);
    }

    /** In words, without giving the fault away. */
    public function inWords(): string
    {
        return sprintf(
            '%s %s, %s, clamping %s, %s mm of grip', $this->bolt->thread->name, $this->bolt->grade->value,
            $this->bolt->friction->name, $this->springs->member->value, Show::n($this->springs->grip()->millimetres),
        );
    }

    /**
     * Points of a hundred: forty for the call, forty for where it was stopped, twenty for a steady hand.
     *
     * @param list<array{float, float, float}> $samples
     *
     * @return array{int, list<string>} points, and the reasons
     */
    public function score(array $samples, Fault $called): array
    {
        $right = $called === $this->fault;
        $reasons = [$right ? sprintf(
            '40 for the call: %s.', $this->fault->label(),
        ) : sprintf('0 for the call: it was %s, you said %s.', $this->fault->label(), $called->label())];
        $peak = [] === $samples ? 0.0 : max(array_column($samples, 1));
        [$stopped, $why] = $this->fault->isOfTheJoint() ? $this->stoppedInTime($samples, $peak) : $this->hit($peak);
        $reasons[] = $why;
        try {
            $jolt = [] === $samples ? 0.0 : Trace::of($samples)->steepestTenMs() / $this->target;
        } catch (\DomainException) {
            // Too short a trace to judge shows no jolt either.
            $jolt = 0.0;
        }
        $steady = $jolt <= 0.1 && [] !== $samples ? 20 : 0;
        $reasons[] = $steady > 0 ? '20 for a steady hand.' : '0 for the hand: it jerked, or never pulled.';

        return [($right ? 40 : 0) + $stopped + $steady, $reasons];
    }

    /** @return array{int, string} */
    private function hit(float $peak): array
    {
        $off = abs($peak / $this->target - 1);
        $points = (int) round(40 * max(0.0, min(1.0, (0.15 - $off) / 0.11)));

        return [
            $points,
            sprintf(
                '%d for the figure: %s N·m of %s, %s %% off.', $points, Show::n($peak, 3), Show::n($this->target, 3),
                Show::n(100 * $off, 2),
            ),
        ];
    }

    /**
     * @param list<array{float, float, float}> $samples
     *
     * @return array{int, string}
     */
    private function stoppedInTime(array $samples, float $peak): array
    {
        if ([] === $samples || $peak < 0.1 * $this->target) {
            return [0, '0 for stopping: it was never pulled far enough to tell.'];
        }
        $at = $samples[0][0];
        foreach ($samples as $sample) {
            if ($sample[1] >= 0.999 * $peak) {
                $at = $sample[0];
                break;
            }
        }
        $after = $samples[count($samples) - 1][0] - $at;
        $points = match ($this->fault) {
            Fault::Stripped => (int) round(40 * max(0.0, min(1.0, (60 - $after) / 45))),
            Fault::Soft => (int) round(40 * max(0.0, min(1.0, (1.05 - $peak / $this->target) / 0.25))),
            default => (int) round(40 * max(0.0, min(1.0, (1.0 - $peak / $this->target) / 0.4))),
        };
        $why = Fault::Stripped === $this->fault
            ? sprintf('%d for stopping: %s° turned after the torque began to fall.', $points, Show::n($after, 2))
            : sprintf('%d for stopping: at %s %% of the figure.', $points, Show::n(100 * $peak / $this->target, 3));

        return [$points, $why];
    }
}
