<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace\Door;

use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;
use NimbleKnuckle\Core\Trace\JointData;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Core\Trace\TraceDrawing;
use NimbleKnuckle\Core\Trace\TraceReading;
use NimbleKnuckle\Core\Trace\TraceSpec;

/**
 * What a trace of torque against angle says of the joint: sound, short, over, yielding, cross-threaded, bottomed, soft,
 * stripping, jerked; or, without joint data, that it cannot be told. Angles in degrees, torques in N·m, times in ms.
 * Torque-angle signature after VDI/VDE 2645 practice.
 */
final readonly class TraceJudge implements Sum
{
    /** Torque lost while the angle grows, share of the peak. */
    private const STRIPPED = 0.12;
    /** Slope over what the springs of the joint give: something stands in the way. */
    private const STEEP = 1.7;
    /** Snug before this share of the turns it should run down. */
    private const EARLY = 0.7;
    private const JERK = 0.10;
    /** Without joint data: the whole figure within so few degrees is steeper than any bolt's spring. */
    private const STEEP_DEGREES = 7.0;
    /** Without joint data: torque that grows over so many degrees, and ever flatter, is a thread that drags. */
    private const DRAGGING_DEGREES = 40.0;
    /** A thread that drags takes so much more angle for the same torque later than at first. */
    private const FLATTER = 1.08;
    /** Slope under this share of what the springs give: nothing is clamped hard. */
    private const SLACK = 0.4;
    /** Without joint data: the figure over so many degrees is a long soft joint, or a thread that drags. */
    private const SLACK_DEGREES = 60.0;

    public function name(): string
    {
        return 'trace-judge';
    }

    public function summary(): string
    {
        return 'Judge a torque trace';
    }

    public function fields(): array
    {
        return [
            Field::list(
                'samples', 'Trace', '0 0.4; 90 0.4; 180 0.5; 184 1.2; 190 3.1; 200 6.2; 210 9.0',
                'Degrees and N·m, perhaps ms: JSON rows, or one row a line.',
            ),
            Field::text('spec', 'It was to reach', '9 N·m', '25 N·m, or 40 N·m + 75 deg'),
            Field::text(
                'joint', 'The joint', '{"thread":"M6","shank":0,"threaded":14,"turns":0.5}',
                'An object: thread, grade, shank, threaded, member, friction, turns.',
            )->optional(),
        ];
    }

    public function group(): string
    {
        return 'Is it tight, may it go back';
    }

    public function example(): array
    {
        return [
            'samples' => '0 0.4; 60 0.4; 120 0.5; 178 0.5; 182 1.0; 186 2.2; 190 3.7; 194 5.2; 198 6.8; 202 8.3; 204 9.1',
            'spec' => '9 N·m',
        ];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            '', [['number' => $r->checks[0]->code, 'unit' => '']],
            sprintf(
                '%s N·m at the end, %s N·m a degree', Digits::of(Kind::Torque, $r->number('final_torque')),
                Digits::significant($r->number('slope'), 2),
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'plot',
            TraceDrawing::of(
                array_map(static fn (array $row): array => [$row[0], $row[1] ?? 0.0], $in->rows('samples', 2, 3)),
                TraceSpec::read($in->raw['spec'] ?? ''), $r,
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $spec = TraceSpec::read($in->raw['spec'] ?? '');
        $joint = $in->has('joint') ? JointData::read($in->raw['joint']) : JointData::unknown();

        return $this->judge(Trace::of($in->rows('samples', 2, 3)), $spec, $joint, $in->raw);
    }

    /** @param array<string, mixed> $raw the inputs to show in the answer */
    public function judge(Trace $trace, TraceSpec $spec, JointData $joint, array $raw = []): SumResult
    {
        $read = TraceReading::of($trace, $spec->from);
        $byAngle = $spec->isByAngle() && $trace->peak >= $spec->torque;
        $check = $this->stripping($trace)
            ?? $this->early($trace, $read, $spec, $joint)
            ?? $this->jerked($trace, $spec)
            ?? $this->steep($trace, $read, $spec, $joint)
            ?? $this->yielding($trace, $read, $spec)
            ?? $this->missed($trace, $spec)
            ?? $this->slack($trace, $read, $spec, $joint)
            ?? $this->untold($trace, $read, $spec, $joint)
            ?? $this->sound($trace, $read, $spec);

        return new SumResult($this->name(), $raw, [
            'snug_torque' => Value::of($byAngle ? $spec->torque : $read->snugTorque, Unit::NewtonMetre->value),
            'snug_angle' => Value::of($byAngle ? $trace->angleAt($spec->torque) : $read->snugAngle, Unit::Degree->value),
            'slope' => Value::of($read->slope, 'N·m/deg'),
            'final_torque' => Value::of($trace->finalTorque(), Unit::NewtonMetre->value),
            'final_angle' => Value::of($trace->finalAngle(), Unit::Degree->value),
        ], [$check], [
            new Working(
                'Slope', 'steepest least-squares line over a window', sprintf('window %s°', Show::n($read->window)),
                sprintf(
                    '%s N·m a degree%s', Show::n($read->slope),
                    $joint->knowsSlope() ? sprintf(', %s by the springs of the joint', Show::n($joint->slope)) : '',
                ),
                'least squares',
            ),
            new Working(
                'Snug', 'where that line meets the drag', sprintf('drag %s N·m', Show::n($read->drag)),
                sprintf('%s N·m at %s°', Show::n($read->snugTorque), Show::n($read->snugAngle)), 'departure from run-down',
            ),
            new Working(
                'Slope at the end', 'the same over the last window',
                sprintf('half of the steepest is %s', Show::n($read->slope / 2)),
                sprintf('%s N·m a degree', Show::n($read->endSlope)), 'yield where it falls under half, VDI/VDE 2645',
            ),
        ]);
    }

    private function stripping(Trace $trace): ?Check
    {
        $top = 0.0;
        $topAngle = $trace->angles[0];
        foreach ($trace->torques as $i => $torque) {
            if ($torque > $top) {
                [$top, $topAngle] = [$torque, $trace->angles[$i]];
            }
        }
        $fallen = $top - $trace->torques[$trace->count() - 1];
        $turned = $trace->finalAngle() - $topAngle;

        return $fallen > self::STRIPPED * $top && $turned > 2.0
            ? Check::stop(
                'stripping',
                sprintf(
                    'Stripping: the torque fell by %.0f %% while it turned on by %s°. Stop, the thread is gone.',
                    100 * $fallen / $top, Show::n($turned, 3),
                ),
            )
            : null;
    }

    private function early(Trace $trace, TraceReading $read, TraceSpec $spec, JointData $joint): ?Check
    {
        if ($spec->from > 0.0) {
            return null;
        }
        if ($joint->knowsRunDown()) {
            $first = $this->firstRise($trace, $read);

            return $first < self::EARLY * $joint->runDown - $trace->spacing ? Check::stop('cross-threaded', sprintf(
                'Cross-threaded, or something in the hole: the torque came after %s of the %s turns it should run down. Back it '
                    .'out by hand and look at the thread.',
                Show::n($first / 360, 2), Show::n($joint->runDown / 360, 2),
            )) : null;
        }

        return $this->drags($trace, $read) ? Check::stop('cross-threaded', sprintf(
            'Cross-threaded: the torque grew over %s° and ever flatter, no bolt that clamps does that. Back it out by hand and '
                .'look at the thread.',
            Show::n($this->rise($trace, $read), 3),
        )) : null;
    }

    /** A thread that drags grows over a long way, steep first and flat later; a clamping one the other way round. */
    private function drags(Trace $trace, TraceReading $read): bool
    {
        $at = static fn (float $share): float => $trace->rising->angleAt($read->drag + $share * ($trace->reached - $read->drag));
        [$toe, $low, $middle] = [$at(0.06), $at(0.3), $at(0.55)];

        return $this->rise($trace, $read) > self::DRAGGING_DEGREES
            && ($middle - $low) / 0.25 > self::FLATTER * ($low - $toe) / 0.24 + 2 * $trace->spacing;
    }

    private function steep(Trace $trace, TraceReading $read, TraceSpec $spec, JointData $joint): ?Check
    {
        if (!$joint->knowsSlope() || $spec->from > 0.0) {
            return null;
        }
        // Where a few samples are the whole rise, a line through them takes in the run-down: what they rose by in all is surer.
        $across = $trace->slopeAcross($read->drag);
        $slope = $trace->spacing > 0.25 * $this->rise($trace, $read) ? $across : max($read->slope, $across);

        return $slope > self::STEEP * $joint->slope ? Check::stop('bottomed', sprintf(
            'Bottomed or cross-threaded: %s N·m a degree where %s were due is steeper than a bolt that clamps. Look at length, '
                .'hole depth and what lies in the hole.',
            Show::n($slope, 2), Show::n($joint->slope, 2),
        )) : null;
    }

    /** A torque that rises far too slowly for its joint clamps nothing yet: the thread drags, or something soft lies between. */
    private function slack(Trace $trace, TraceReading $read, TraceSpec $spec, JointData $joint): ?Check
    {
        if (!$joint->knowsSlope() || $joint->isGuessed || $spec->from > 0.0 || max(
            $read->slope, $trace->slopeAcross($read->drag),
        ) >= self::SLACK * $joint->slope) {
            return null;
        }

        return $this->drags($trace, $read)
            ? Check::stop(
                'cross-threaded',
                sprintf(
                    'Cross-threaded: %s N·m a degree where %s were due, and ever flatter. Back it out by hand and look at the thread.',
                    Show::n($read->slope, 2), Show::n($joint->slope, 2),
                ),
            )
            : Check::stop('soft', sprintf(
                'Soft: %s N·m a degree where %s were due. The thread drags, or something soft or loose is clamped. It holds '
                    .'less than the figure says; undo it and look.',
                Show::n($read->slope, 2), Show::n($joint->slope, 2),
            ));
    }

    /**
     * Without the joint a rise that a short stiff one and a bottomed one share, or a long soft one and a dragging one, is
     * not told apart.
     */
    private function untold(Trace $trace, TraceReading $read, TraceSpec $spec, JointData $joint): ?Check
    {
        if ($joint->knowsSlope() || $spec->from > 0.0 || $spec->isByAngle()) {
            return null;
        }
        $rise = $this->rise($trace, $read);
        // By the lower half: at its upper end a bolt may yield.
        $at = static fn (float $share): float => $trace->rising->angleAt($read->drag + $share * ($trace->reached - $read->drag));
        $slow = 2 * ($at(0.5) - $at(0.1));

        return match (true) {
            $rise < self::STEEP_DEGREES => Check::watch(
                'cannot-tell',
                sprintf(
                    'Cannot tell: %s N·m within %s°. A short stiff joint does that, and so does a bolt on the bottom of its '
                        .'hole. Say which joint it is.',
                    Show::n($trace->reached, 3), Show::n($rise, 2),
                ),
            ),
            $slow > self::SLACK_DEGREES => Check::watch(
                'cannot-tell',
                sprintf(
                    'Cannot tell: the torque grew over %s°. A long soft joint does that, and so does a thread that drags. Say '
                        .'which joint it is.',
                    Show::n($rise, 3),
                ),
            ),
            default => null,
        };
    }

    /** Degrees from a tenth to nine tenths of the peak. */
    private function rise(Trace $trace, TraceReading $read): float
    {
        $at = static fn (float $share): float => $trace->rising->angleAt($read->drag + $share * ($trace->reached - $read->drag));

        return $at(0.9) - $at(0.1);
    }

    /** Degrees from the start to where the torque first leaves the drag for good: an eighth of the peak. */
    private function firstRise(Trace $trace, TraceReading $read): float
    {
        return $trace->rising->angleAt($read->drag + 0.12 * ($trace->reached - $read->drag)) - $trace->angles[0];
    }

    private function jerked(Trace $trace, TraceSpec $spec): ?Check
    {
        $target = $spec->isByAngle() ? max($spec->torque, $trace->peak) : $spec->torque;
        $step = $trace->steepestTenMs();

        return $step > self::JERK * $target ? Check::watch(
            'jerked',
            sprintf(
                'Jerked: %.0f %% of the figure in ten milliseconds. The reading overshoots; undo it and pull again without a jolt.',
                100 * $step / $target,
            ),
        ) : null;
    }

    private function yielding(Trace $trace, TraceReading $read, TraceSpec $spec): ?Check
    {
        if (!$read->yieldsAtEnd($trace, $spec->from)) {
            return null;
        }

        return $spec->isByAngle()
            ? Check::watch(
                'yielding',
                'Yielding: the slope fell under half its peak. Tightened into yield by design? Then a new bolt each time.',
            )
            : Check::stop(
                'yielding',
                sprintf(
                    'Yielding: the slope fell to %.0f %% of its peak at %s N·m. The bolt stretches for good, or it is the wrong '
                        .'one: stop and replace it.',
                    100 * max(0.0, $read->endSlope) / $read->slope, Show::n($trace->finalTorque(), 3),
                ),
            );
    }

    private function missed(Trace $trace, TraceSpec $spec): ?Check
    {
        if ($spec->isByAngle()) {
            return $this->missedByAngle($trace, $spec);
        }
        $short = $spec->torque * (1 - $spec->tolerance / 100) - $trace->doubt();
        $over = $spec->torque * (1 + $spec->tolerance / 100) + $trace->doubt();
        $share = 100 * $trace->reached / $spec->torque - 100;

        return match (true) {
            $trace->reached < $short => Check::watch(
                'short',
                sprintf('Short: %s N·m of %s. Pull again, slowly.', Show::n($trace->reached, 3), Show::n($spec->torque, 3)),
            ),
            $trace->reached > $over => Check::watch(
                'over',
                sprintf(
                    'Over: %s N·m, %.0f %% past the figure. Undo it and pull again; a bolt near yield is replaced.',
                    Show::n($trace->reached, 3), $share,
                ),
            ),
            default => null,
        };
    }

    private function missedByAngle(Trace $trace, TraceSpec $spec): ?Check
    {
        $turned = $trace->finalAngle() - $trace->angleAt($spec->torque);
        $give = max(3.0, $spec->angle * $spec->tolerance / 100);

        return match (true) {
            $trace->peak < $spec->torque * (1 - $spec->tolerance / 100) => Check::watch(
                'short',
                sprintf('Short: %s N·m, it never reached the snug torque of %s.', Show::n($trace->peak, 3), Show::n($spec->torque, 3)),
            ),
            $turned < $spec->angle - $give => Check::watch(
                'short', sprintf('Short: %s° of %s° after snug. Mark it and go on.', Show::n($turned, 3), Show::n($spec->angle, 3)),
            ),
            $turned > $spec->angle + $give => Check::watch(
                'over', sprintf('Over: %s° where %s° were asked.', Show::n($turned, 3), Show::n($spec->angle, 3)),
            ),
            default => null,
        };
    }

    private function sound(Trace $trace, TraceReading $read, TraceSpec $spec): Check
    {
        return $spec->isByAngle()
            ? Check::ok(
                'sound',
                sprintf(
                    'Sound: snug, then %s°, %s N·m at the end.', Show::n($trace->finalAngle() - $trace->angleAt($spec->torque), 3),
                    Show::n($trace->finalTorque(), 3),
                ),
            )
            : Check::ok(
                'sound',
                sprintf('Sound: %s N·m, a straight slope of %s N·m a degree.', Show::n($trace->reached, 3), Show::n($read->slope, 2)),
            );
    }
}
