<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace\Door;

use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;
use NimbleKnuckle\Core\Trace\JointData;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\Symptom;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Core\Trace\TraceDrawing;
use NimbleKnuckle\Core\Trace\TraceSpec;

/** The door of the trace: samples in degrees, N·m and perhaps ms, what it was to reach, and the joint where it is known. */
final readonly class TraceJudge implements Sum
{
    public function about(): About
    {
        return new About('trace-judge', 'Judge a torque trace', 'Is it tight, may it go back', static fn (): array => [
            Field::text(
                'samples', 'Trace', '0 0.4; 90 0.4; 180 0.5; 184 1.2; 190 3.1; 200 6.2; 210 9.0',
                'Degrees and N·m, perhaps ms: JSON rows, or one row a line.',
            ),
            Field::text('spec', 'It was to reach', '9 N·m', '25 N·m, or 40 N·m + 75 deg'),
            Field::text(
                'joint', 'The joint', '{"thread":"M6","shank":0,"threaded":14,"turns":0.5}',
                'An object: thread, grade, shank, threaded, member, friction, turns.',
            )->optional(),
        ], ['samples' => '0 0.4; 60 0.4; 120 0.5; 178 0.5; 182 1.0; 186 2.2; 190 3.7; 194 5.2; 198 6.8; 202 8.3; 204 9.1']);
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
                TraceSpec::read($in->raw['spec'] ?? ''), self::read($in),
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        return $this->said(self::read($in), $in->raw);
    }

    /** @throws InvalidInput */
    private static function read(Inputs $in): Judgement
    {
        $spec = TraceSpec::read($in->raw['spec'] ?? '');
        $joint = $in->has('joint') ? JointField::read($in->raw['joint']) : JointData::unknown();

        return Judgement::of(Trace::of($in->rows('samples', 2, 3)), $spec, $joint);
    }

    /**
     * What was judged elsewhere, with its working.
     *
     * @param array<string, mixed> $raw the inputs to show in the answer
     */
    public function said(Judgement $judged, array $raw = []): SumResult
    {
        [$read, $joint] = [$judged->read, $judged->joint];

        return new SumResult($this->about()->name, $raw, [
            'snug_torque' => Value::of($judged->snugTorque(), Unit::NewtonMetre->value),
            'snug_angle' => Value::of($judged->snugAngle(), Unit::Degree->value),
            'slope' => Value::of($read->slope, 'N·m/deg'),
            'final_torque' => Value::of($judged->trace->finalTorque(), Unit::NewtonMetre->value),
            'final_angle' => Value::of($judged->trace->finalAngle(), Unit::Degree->value),
        ], [$this->check($judged)], [
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

    private function check(Judgement $judged): Check
    {
        return new Check($judged->symptom->finding(), match ($judged->symptom) {
            Symptom::Straight, Symptom::StraightByAngle => Level::Ok,
            Symptom::TorqueFell, Symptom::CameEarly, Symptom::Drags, Symptom::DragsSlack, Symptom::TooSteep, Symptom::Yielded,
            Symptom::Slack => Level::Stop,
            default => Level::Watch,
        }, $this->inWords($judged));
    }

    private function inWords(Judgement $judged): string
    {
        return match ($judged->symptom) {
            Symptom::TorqueFell, Symptom::CameEarly, Symptom::Drags, Symptom::DragsSlack => $this->ofTheThread($judged),
            Symptom::TooSteep, Symptom::Slack, Symptom::RisesFast, Symptom::RisesSlowly => $this->ofTheSlope($judged),
            Symptom::Yielded, Symptom::YieldedByAngle, Symptom::Jolted => $this->ofTheEnd($judged),
            Symptom::NeverSnug, Symptom::AngleShort, Symptom::AngleOver, Symptom::StraightByAngle => $this->ofTheAngle($judged),
            Symptom::TorqueShort, Symptom::TorqueOver, Symptom::Straight => $this->ofTheTorque($judged),
        };
    }

    private function ofTheThread(Judgement $judged): string
    {
        return match ($judged->symptom) {
            Symptom::TorqueFell => sprintf(
                'Stripping: the torque fell by %.0f %% while it turned on by %s°. Stop, the thread is gone.', 100 * $judged->fallen(),
                Show::n($judged->turnedSincePeak(), 3),
            ),
            Symptom::CameEarly => sprintf(
                'Cross-threaded, or something in the hole: the torque came after %s of the %s turns it should run down. Back it '
                    .'out by hand and look at the thread.',
                Show::n($judged->firstRise() / 360, 2), Show::n($judged->joint->runDown / 360, 2),
            ),
            Symptom::Drags => sprintf(
                'Cross-threaded: the torque grew over %s° and ever flatter, no bolt that clamps does that. Back it out by hand and '
                    .'look at the thread.',
                Show::n($judged->rise(), 3),
            ),
            default => sprintf(
                'Cross-threaded: %s N·m a degree where %s were due, and ever flatter. Back it out by hand and look at the thread.',
                Show::n($judged->read->slope, 2), Show::n($judged->joint->slope, 2),
            ),
        };
    }

    private function ofTheSlope(Judgement $judged): string
    {
        return match ($judged->symptom) {
            Symptom::TooSteep => sprintf(
                'Bottomed or cross-threaded: %s N·m a degree where %s were due is steeper than a bolt that clamps. Look at length, '
                    .'hole depth and what lies in the hole.',
                Show::n($judged->steepness(), 2), Show::n($judged->joint->slope, 2),
            ),
            Symptom::Slack => sprintf(
                'Soft: %s N·m a degree where %s were due. The thread drags, or something soft or loose is clamped. It holds '
                    .'less than the figure says; undo it and look.',
                Show::n($judged->read->slope, 2), Show::n($judged->joint->slope, 2),
            ),
            Symptom::RisesFast => sprintf(
                'Cannot tell: %s N·m within %s°. A short stiff joint does that, and so does a bolt on the bottom of its '
                    .'hole. Say which joint it is.',
                Show::n($judged->trace->reached, 3), Show::n($judged->rise(), 2),
            ),
            default => sprintf(
                'Cannot tell: the torque grew over %s°. A long soft joint does that, and so does a thread that drags. Say '
                    .'which joint it is.',
                Show::n($judged->rise(), 3),
            ),
        };
    }

    private function ofTheEnd(Judgement $judged): string
    {
        return match ($judged->symptom) {
            Symptom::Jolted => sprintf(
                'Jerked: %.0f %% of the figure in ten milliseconds. The reading overshoots; undo it and pull again without a jolt.',
                100 * $judged->jolt(),
            ),
            Symptom::YieldedByAngle => 'Yielding: the slope fell under half its peak. Tightened into yield by design? '
                .'Then a new bolt each time.',
            default => sprintf(
                'Yielding: the slope fell to %.0f %% of its peak at %s N·m. The bolt stretches for good, or it is the wrong '
                    .'one: stop and replace it.',
                100 * max(0.0, $judged->read->endSlope) / $judged->read->slope, Show::n($judged->trace->finalTorque(), 3),
            ),
        };
    }

    private function ofTheTorque(Judgement $judged): string
    {
        [$reached, $figure] = [$judged->trace->reached, $judged->spec->torque];

        return match ($judged->symptom) {
            Symptom::TorqueShort => sprintf('Short: %s N·m of %s. Pull again, slowly.', Show::n($reached, 3), Show::n($figure, 3)),
            Symptom::TorqueOver => sprintf(
                'Over: %s N·m, %.0f %% past the figure. Undo it and pull again; a bolt near yield is replaced.', Show::n($reached, 3),
                100 * $reached / $figure - 100,
            ),
            default => sprintf(
                'Sound: %s N·m, a straight slope of %s N·m a degree.', Show::n($reached, 3), Show::n($judged->read->slope, 2),
            ),
        };
    }

    private function ofTheAngle(Judgement $judged): string
    {
        $turned = Show::n($judged->turned(), 3);

        return match ($judged->symptom) {
            Symptom::NeverSnug => sprintf(
                'Short: %s N·m, it never reached the snug torque of %s.', Show::n($judged->trace->peak, 3),
                Show::n($judged->spec->torque, 3),
            ),
            Symptom::AngleShort => sprintf(
                'Short: %s° of %s° after snug. Mark it and go on.', $turned, Show::n($judged->spec->angle, 3),
            ),
            Symptom::AngleOver => sprintf('Over: %s° where %s° were asked.', $turned, Show::n($judged->spec->angle, 3)),
            default => sprintf('Sound: snug, then %s°, %s N·m at the end.', $turned, Show::n($judged->trace->finalTorque(), 3)),
        };
    }
}
