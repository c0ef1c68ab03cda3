<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening\Door;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;
use NimbleKnuckle\Core\Tightening\Pulls;

/** A part drawn down against a gap by its own screws: turns each, taken in rotation so that it comes down level. Lengths in mm. */
final readonly class EvenTakeUp implements Sum
{
    private const STEP_DEGREES = 180.0;

    public function name(): string
    {
        return 'even-take-up';
    }

    public function summary(): string
    {
        return 'Pull a gap down evenly';
    }

    public function fields(): array
    {
        return [
            Field::quantity('gap', 'Gap under the part', Kind::Length, '3.0 mm', 'The same all round; measure at each screw.'),
            Bolt::threadField(),
            Field::quantity('count', 'Screws', Kind::Number, '4'),
            Field::quantity('step', 'Turn at a time', Kind::Angle, 'half turn', 'Half a turn unless the part is brittle.')->optional(),
        ];
    }

    public function group(): string
    {
        return 'How to tighten it';
    }

    public function example(): array
    {
        return ['gap' => '3 mm', 'thread' => 'M8', 'count' => '4', 'step' => 'half turn'];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Each screw', [Headline::figure($r->number('turns'), 'turns')],
            sprintf('in %d rounds, the last one %s°', $r->number('rounds'), Show::n($r->number('last_turn'))),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['thread', ThreadDrawing::of(Thread::parse($in->text('thread')), $in->number('gap', Kind::Length))];
    }

    public function compute(Inputs $in): SumResult
    {
        $thread = Thread::parse($in->text('thread'));
        $gap = $in->between('gap', Kind::Length, 0.01, 200.0);
        $wanted = $in->between('count', Kind::Number, 1.0, 120.0);
        $count = (int) round($wanted);
        abs($wanted - $count) < 1e-9 || throw InvalidInput::in(
            'count', sprintf('%s screws there are not: give a whole number.', Show::n($wanted)),
        );
        $step = $in->has('step') ? $in->between('step', Kind::Angle, 5.0, 360.0) : self::STEP_DEGREES;
        $turns = $gap / $thread->pitch;
        $rounds = Pulls::of($turns * 360, $step);
        $tilt = min($gap, $thread->pitch * $step / 360);

        return new SumResult($this->name(), $in->raw, [
            'turns' => Value::of($turns, 'turn'),
            'rounds' => Value::of((float) $rounds->count, 'count'),
            'last_turn' => Value::of($rounds->last, Unit::Degree->value),
            'uneven' => Value::of($tilt, Unit::Millimetre->value),
        ], [
            $tilt > 1.0
                ? Check::watch(
                    'tilts',
                    sprintf(
                        'Each turn of %s° leaves %s mm between neighbours: take smaller turns, an aluminium lug cracks.',
                        Show::n(min($step, $turns * 360)), Show::n($tilt, 2),
                    ),
                )
                : Check::ok(
                    'level', sprintf('%s: never more than %s mm uneven.', self::inWords($rounds, $step, $count), Show::n($tilt, 2)),
                ),
            Check::ok('then-tighten', 'When it lies flat all round, tighten to the figure in order.'),
        ], [
            new Working(
                'Turns each', 'n = gap / P', sprintf('%s / %s', Show::n($gap), Show::n($thread->pitch)),
                sprintf('%s turns', Show::n($turns)), 'lead of a single-start thread',
            ),
            new Working(
                'Rounds', 'n 360 / step, rounded up', sprintf('%s × 360 / %s', Show::n($turns), Show::n($step)),
                (string) $rounds->count, 'definition',
            ),
        ]);
    }

    private static function inWords(Pulls $rounds, float $step, int $count): string
    {
        $on = match ($count) {
            1 => 'on the one screw',
            2 => 'on both screws',
            default => sprintf('on all %d', $count),
        };
        $last = Show::n($rounds->last, 3);

        return match (true) {
            1 === $rounds->count => sprintf('One round of %s° %s', $last, $on),
            abs($rounds->last - $step) < 1e-6 => sprintf('%d rounds of %s° %s', $rounds->count, Show::n($step), $on),
            default => sprintf('%d rounds %s: %s° each, the last one %s°', $rounds->count, $on, Show::n($step), $last),
        };
    }
}
