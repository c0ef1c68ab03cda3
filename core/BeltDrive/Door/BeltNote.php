<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\BeltCode;
use NimbleKnuckle\Core\BeltDrive\NoteDrawing;
use NimbleKnuckle\Core\BeltDrive\SpanNote;
use NimbleKnuckle\Core\Quantity\Force;
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

/** The door of the plucked span: Hz or N in, both out. */
final readonly class BeltNote implements Sum
{
    public function about(): About
    {
        return new About('belt-note', 'Belt tension by its note', 'What turns', static fn (): array => [
            Field::text('belt', 'Belt', '6PK1570', 'Its code, for its mass; or give the mass.')->optional(),
            Field::quantity('mass', 'Mass of a metre of it', Kind::Mass, '0.114 kg')->within(0.001, 5.0)->optional(),
            Field::quantity(
                'span', 'Free span', Kind::Length, '268 mm', 'From where it leaves one pulley to where it meets the next.'
            )->within(30.0, 2000.0),
            Field::quantity('note', 'Note of the plucked span', Kind::Frequency, '96 Hz')->within(1.0, 5000.0)->optional(),
            Field::quantity('tension', 'Tension', Kind::Force, '320 N', 'For the note it should have.')->within(1.0, 10_000.0)->optional(),
            Field::quantity('least', 'At least', Kind::Force, '280 N', 'By the maker of the drive.')->optional(),
            Field::quantity('most', 'At most', Kind::Force, '380 N')->optional(),
        ], ['belt', 'note']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Tension', [Headline::figure($r->number('tension'), 'N')], sprintf('a note of %s Hz', Show::n($r->number('note'), 3)), true,
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['note', NoteDrawing::of($in->length('span'), $r->number('note'))];
    }

    private static function mass(Inputs $in): float
    {
        if ($in->has('mass')) {
            return $in->number('mass', Kind::Mass);
        }
        $in->has('belt') || throw InvalidInput::missing('mass', '0.114 kg, or the code of the belt');
        $code = BeltCode::read($in->text('belt')) ?? throw InvalidInput::in(
            'belt', sprintf(
                '“%s” is no code of a ribbed belt that is known here: write it as 6PK1915.',
                mb_substr($in->text('belt'), 0, 40),
            ),
        );

        return SpanNote::mass($code->section, $code->ribs);
    }

    public function compute(Inputs $in): SumResult
    {
        [$mass, $span] = [self::mass($in), $in->length('span')];
        $in->has('note') || $in->has('tension') || throw InvalidInput::missing('note', '96 Hz, or the tension for the note it should have');
        !$in->has('note') || !$in->has('tension') || throw InvalidInput::in('tension', 'Give the note or the tension, not both.');
        $tension = $in->has('note')
            ? SpanNote::tension($mass, $span, $in->number('note', Kind::Frequency))
            : Force::newtons($in->number('tension', Kind::Force));
        $note = SpanNote::frequency($mass, $span, $tension);

        return new SumResult($this->about()->name, $in->raw, [
            'tension' => Value::of($tension->newtons, Unit::Newton->value), 'note' => Value::of($note, Unit::Hertz->value),
            'mass' => Value::of($mass, Unit::Kilogram->value),
        ], [self::judged($in, $tension->newtons)], [
            new Working(
                'Mass of a metre', $in->has('mass') ? 'as given' : 'ribs · mass of one',
                $in->has('mass') ? 'by its weight' : $in->text('belt'), Show::n($mass).' kg',
                $in->has('mass') ? 'given' : 'a working value for rubber',
            ),
            Working::by(
                ...($in->has('note')
                    ? [SpanNote::tensionFormula($mass, $span, $in->number('note', Kind::Frequency)), 'Tension', 'N']
                    : [SpanNote::noteFormula($mass, $span, $tension), 'Note', 'Hz']),
                source: 'a string between two ends; the belt’s own stiffness is left out',
                with: sprintf('m %s kg, L %s mm', Show::n($mass), Show::n($span->millimetres)),
            ),
        ]);
    }

    private static function judged(Inputs $in, float $tension): Check
    {
        [$least, $most] = [$in->maybe('least', Kind::Force), $in->maybe('most', Kind::Force)];
        null === $least || null === $most || $least < $most || throw InvalidInput::in('most', 'The most must be over the least.');

        return match (true) {
            null === $least && null === $most => Check::watch(
                'no-limits', 'What the maker of the drive wants was not given: compare with a drive that is known to be right.',
            ),
            null !== $least && $tension < $least => Check::stop(
                'slack', sprintf('%s N: under the %s N it needs. It will slip.', Show::n($tension, 3), Show::n($least, 3)),
            ),
            null !== $most && $tension > $most => Check::stop(
                'tight',
                sprintf('%s N: over %s N. It wears bearings and may break the belt.', Show::n($tension, 3), Show::n($most, 3)),
            ),
            default => Check::ok('tension', sprintf('%s N: as it should be.', Show::n($tension, 3))),
        };
    }
}
