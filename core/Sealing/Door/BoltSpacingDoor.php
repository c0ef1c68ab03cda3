<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing\Door;

use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sealing\BoltSpacing;
use NimbleKnuckle\Core\Sealing\SpacingDrawing;
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

/** The door of the bolts' spacing: mm in and out. */
final readonly class BoltSpacingDoor implements Sum
{
    private const GASKETS = ['rubber' => 'rubber', 'fibre' => 'fibre', 'metal' => 'metal', 'ring' => 'ring in its groove'];
    private const MOST_POINTS = 120;

    public function about(): About
    {
        return new About('bolt-spacing', 'Bolt spacing of a flange', 'Faces and rings', static fn (): array => [
            Field::text(
                'points', 'Bolts in order round the flange, mm', '[[0,0],[60,0],[95,40],[40,75]]', 'Or give the pitch alone.',
            )->optional(),
            Field::quantity(
                'pitch', 'Widest pitch', Kind::Length, '60 mm', 'From bolt to bolt, where you have no points.'
            )->within(1.0, 2000.0)->optional(),
            Field::quantity('d', 'Bolt', Kind::Length, '6 mm', 'Its nominal diameter.')->within(1.0, 40.0),
            Field::quantity('thickness', 'Flange thickness', Kind::Length, '8 mm', 'Of the weaker one.')->within(0.3, 100.0),
            Field::choice('gasket', 'What seals it', self::GASKETS),
            Field::choice('faces', 'Flange', ['rigid' => 'cast or machined', 'pressed' => 'pressed steel'])->optional(),
        ], ['points' => '[[0,0],[62,0],[98,38],[40,78]]', 'gasket' => 'fibre']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Bolts at most', [Headline::figure($r->number('most'), 'mm')],
            sprintf('apart; the widest here is %s mm', Digits::significant($r->number('widest'))),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        $points = $in->has('points') ? self::points($in) : [[0.0, 0.0], [$r->number('widest'), 0.0]];

        return ['spacing', SpacingDrawing::of($points, self::spacing($in), $in->length('d'), $this->isExempt($in))];
    }

    /** @throws InvalidInput */
    private static function spacing(Inputs $in): BoltSpacing
    {
        $pitches = $in->has('points') ? BoltSpacing::round(self::points($in)) : [$in->length('pitch')];
        [$bolt, $thickness] = [$in->length('d'), $in->length('thickness')];
        $gasket = $in->oneOf('gasket', ...array_keys(self::GASKETS));

        return $in->has('faces') && 'pressed' === $in->oneOf('faces', 'rigid', 'pressed')
            ? BoltSpacing::pressed($pitches)
            : BoltSpacing::rigid($pitches, $bolt, $thickness, BoltSpacing::FACTORS[$gasket] ?? BoltSpacing::FACTORS['rubber']);
    }

    /**
     * @return non-empty-list<array{float, float}>
     *
     * @throws InvalidInput
     */
    private static function points(Inputs $in): array
    {
        $points = array_map(static fn (array $row): array => [$row[0], $row[1] ?? 0.0], $in->rows('points', 2, 2));
        count($points) >= 2 && count($points) <= self::MOST_POINTS || throw InvalidInput::in('points', 'Give 2 to 120 bolts.');
        foreach (BoltSpacing::round($points) as $i => $pitch) {
            $pitch->millimetres >= 1.0 || throw InvalidInput::in(
                'points', sprintf('Bolts %d and %d sit in the same place.', $i + 1, ($i + 1) % count($points) + 1),
            );
        }

        return $points;
    }

    private function isExempt(Inputs $in): bool
    {
        return 'ring' === $in->oneOf('gasket', ...array_keys(self::GASKETS));
    }

    public function compute(Inputs $in): SumResult
    {
        $in->has('points') || $in->has('pitch') || throw InvalidInput::missing('pitch', '60 mm');
        $spacing = self::spacing($in);
        $at = $spacing->widest();

        return new SumResult($this->about()->name, $in->raw, [
            'most' => Value::of($spacing->most->millimetres, Unit::Millimetre->value),
            'widest' => Value::of($spacing->pitches[$at]->millimetres, Unit::Millimetre->value),
            'at' => Value::of((float) ($at + 1), 'number'),
            'pitches' => Value::listOf(
                array_map(static fn (Length $pitch): float => $pitch->millimetres, $spacing->pitches), Unit::Millimetre->value,
            ),
        ], [$this->judged($in, $spacing)], [$this->working($spacing)]);
    }

    private function judged(Inputs $in, BoltSpacing $spacing): Check
    {
        $at = $spacing->widest();
        $widest = $spacing->pitches[$at];
        $between = $in->has('points')
            ? sprintf('Between bolts %d and %d', $at + 1, ($at + 1) % (count($spacing->pitches) > 1 ? count($spacing->pitches) : 2) + 1)
            : 'Midway between the bolts';

        return match (true) {
            $this->isExempt($in) => Check::ok('spacing', 'A ring in its groove seals by itself, however far apart the bolts are.'),
            $spacing->isWide($widest) => Check::watch('spacing', sprintf(
                '%s it will weep first: %s mm apart, %s mm is what the flange stays straight over. A thicker flange, a softer gasket, '
                    .'or a sealant there.',
                $between, Show::n($widest->millimetres, 3), Show::n($spacing->most->millimetres, 3),
            )),
            default => Check::ok('spacing', sprintf(
                'Close enough: the widest pitch is %s mm, to %s mm the flange stays straight.', Show::n($widest->millimetres, 3),
                Show::n($spacing->most->millimetres, 3),
            )),
        };
    }

    private function working(BoltSpacing $spacing): Working
    {
        $pressed = Show::n(BoltSpacing::PRESSED).' mm';

        return null === $spacing->formula
            ? new Working('Widest pitch', $pressed, 'pressed steel', $pressed, 'working value')
            : Working::by($spacing->formula, 'Widest pitch', 'mm', 'ASME VIII division 1, appendix 2; m of the gasket');
    }
}
