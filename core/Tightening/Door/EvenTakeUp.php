<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening\Door;

use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadDrawing;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;
use NimbleKnuckle\Core\Tightening\Pulls;
use NimbleKnuckle\Core\Tightening\TakeUp;

/** A part drawn down against a gap by its own screws: turns each, taken in rotation so that it comes down level. Lengths in mm. */
final readonly class EvenTakeUp implements Sum
{
    public function about(): About
    {
        return new About('even-take-up', 'Pull a gap down evenly', 'How to tighten it', static fn (): array => [
            Field::quantity(
                'gap', 'Gap under the part', Kind::Length, '3.0 mm', 'The same all round; measure at each screw.'
            )->within(0.01, 200.0),
            BoltFields::thread(),
            Field::quantity('count', 'Screws', Kind::Number, '4')->within(1.0, 120.0),
            Field::quantity(
                'step', 'Turn at a time', Kind::Angle, 'half turn', 'Half a turn unless the part is brittle.'
            )->within(5.0, 360.0)->optional(),
        ], ['gap' => '3 mm', 'step']);
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
        $gap = $in->length('gap');
        $count = $this->count($in);
        $made = TakeUp::of($thread, $gap, $in->has('step') ? $in->angle('step') : Angle::degrees(TakeUp::STEP));

        return new SumResult($this->about()->name, $in->raw, [
            'turns' => Value::of($made->turns(), 'turn'),
            'rounds' => Value::of((float) $made->rounds->count, 'count'),
            'last_turn' => Value::of($made->rounds->last->degrees, Unit::Degree->value),
            'uneven' => Value::of($made->uneven->millimetres, Unit::Millimetre->value),
        ], [
            $this->level($made, $count), Check::ok('then-tighten', 'When it lies flat all round, tighten to the figure in order.'),
        ], [
            Working::by($made->formula, 'Turns each', 'turns', 'lead of a single-start thread'),
            new Working(
                'Rounds', 'n 360 / step, rounded up', sprintf('%s × 360 / %s', Show::n($made->turns()), Show::n($made->step->degrees)),
                (string) $made->rounds->count, 'definition',
            ),
        ]);
    }

    /** @throws InvalidInput */
    private function count(Inputs $in): int
    {
        $wanted = $in->number('count', Kind::Number);
        $count = (int) round($wanted);

        return abs($wanted - $count) < 1e-9 ? $count : throw InvalidInput::in(
            'count', sprintf('%s screws there are not: give a whole number.', Show::n($wanted)),
        );
    }

    private function level(TakeUp $made, int $count): Check
    {
        $uneven = Show::n($made->uneven->millimetres, 2);

        return $made->uneven->millimetres > 1.0 ? Check::watch('tilts', sprintf(
            'Each turn of %s° leaves %s mm between neighbours: take smaller turns, an aluminium lug cracks.',
            Show::n(min($made->step->degrees, 360 * $made->turns())), $uneven,
        )) : Check::ok('level', sprintf('%s: never more than %s mm uneven.', self::inWords($made->rounds, $made->step, $count), $uneven));
    }

    private static function inWords(Pulls $rounds, Angle $step, int $count): string
    {
        $on = match ($count) {
            1 => 'on the one screw',
            2 => 'on both screws',
            default => sprintf('on all %d', $count),
        };
        $last = Show::n($rounds->last->degrees, 3);
        $isEven = abs($rounds->last->degrees - $step->degrees) < 1e-6;

        return match (true) {
            1 === $rounds->count => sprintf('One round of %s° %s', $last, $on),
            $isEven => sprintf('%d rounds of %s° %s', $rounds->count, Show::n($step->degrees), $on),
            default => sprintf('%d rounds %s: %s° each, the last one %s°', $rounds->count, $on, Show::n($step->degrees), $last),
        };
    }
}
