<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing\Door;

use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sealing\GrooveDrawing;
use NimbleKnuckle\Core\Sealing\SealSqueeze;
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

/** The door of the seal's squeeze: mm in, percent and mm out. Bands after ISO 3601-2 practice. */
final readonly class SealSqueezeDoor implements Sum
{
    /** Percent of the thinned section: from, to which it is well, and past which it is a stop. */
    private const SQUEEZE = [15.0, 30.0];
    private const SQUEEZE_ENDS = [10.0, 35.0];
    private const FILL = [85.0, 95.0];
    private const STRETCH = [-1.0, 5.0];

    public function about(): About
    {
        return new About('seal-squeeze', 'O-ring squeeze', 'Faces and rings', static fn (): array => [
            Field::quantity('section', 'Ring section', Kind::Length, '3.53 mm', 'Across the cord.')->within(0.5, 20.0),
            Field::quantity('inner', 'Ring inside', Kind::Length, '44.0 mm', 'Lying free.')->within(1.0, 1000.0),
            Field::quantity(
                'depth', 'Groove depth', Kind::Length, '2.8 mm', 'For a radial seal from the groove to the bore.'
            )->within(0.1, 30.0),
            Field::quantity('width', 'Groove width', Kind::Length, '4.7 mm')->within(0.3, 60.0),
            Field::quantity(
                'groove_inner', 'Groove inside', Kind::Length, '45.0 mm', 'The diameter the ring lies on.'
            )->within(0.5, 1200.0),
            Field::quantity('groove_outer', 'Groove outside', Kind::Length, '54.4 mm')->within(1.0, 1400.0)->optional(),
            Field::choice('use', 'Use', ['face' => 'under a flange', 'radial' => 'on a spigot in a bore'])->optional(),
        ], ['use']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Squeezed by', [Headline::figure($r->number('squeeze'), '%')],
            sprintf(
                'fills the groove to %s %%, stretched by %s %%', Digits::significant($r->number('fill')),
                Digits::significant($r->number('stretch')),
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'groove',
            GrooveDrawing::of(
                self::read($in),
                ...array_map(static fn (string $f): Length => Length::millimetres($in->number($f, Kind::Length)), ['depth', 'width']),
            ),
        ];
    }

    /** @throws InvalidInput */
    public static function read(Inputs $in): SealSqueeze
    {
        $inner = $in->number('inner', Kind::Length);
        $on = $in->number('groove_inner', Kind::Length);
        $on < 2 * $inner || throw InvalidInput::in(
            'groove_inner', 'That would stretch the ring to twice its size: measure groove and ring again.',
        );

        return SealSqueeze::of(
            Length::millimetres($in->number('section', Kind::Length)), Length::millimetres($inner),
            Length::millimetres($in->number('depth', Kind::Length)),
            Length::millimetres($in->number('width', Kind::Length)), Length::millimetres($on),
        );
    }

    public function compute(Inputs $in): SumResult
    {
        $seal = self::read($in);
        $isFace = !$in->has('use') || 'face' === $in->oneOf('use', 'face', 'radial');
        $outside = $in->number('inner', Kind::Length) + 2 * $in->number('section', Kind::Length);

        return new SumResult($this->about()->name, $in->raw, [
            'stretch' => Value::of($seal->stretch()->percent(), Unit::Percent->value),
            'squeeze' => Value::of($seal->squeeze()->percent(), Unit::Percent->value),
            'fill' => Value::of($seal->fill()->percent(), Unit::Percent->value),
            'travel' => Value::of($isFace ? $seal->travel()->millimetres : 0.0, Unit::Millimetre->value),
        ], [
            $this->squeezed($seal), $this->filled($seal), $this->stretched($seal),
            ...($isFace && $in->has('groove_outer') ? [$this->seated($in, $outside)] : []),
        ], $this->working($seal, $isFace));
    }

    /** @return list<Working> */
    private function working(SealSqueeze $seal, bool $isFace): array
    {
        return [
            Working::by($seal->stretched, 'Stretch', '', 'definition', result: $seal->stretched->percent(3)),
            Working::by(
                $seal->thin, 'Section when stretched', '', 'the rubber keeps its volume; no thinner where it is not stretched',
                result: Show::n($seal->thinned->millimetres).' mm',
            ),
            Working::by($seal->squeezed, 'Squeeze', '', 'ISO 3601-2 practice', result: $seal->squeezed->percent(3)),
            Working::by($seal->filled, 'Fill', '', 'area of the section in that of the groove', result: $seal->filled->percent(3)),
            $isFace
                ? Working::by(
                    $seal->down, 'Cover comes down on it by', '', 'until metal meets metal',
                    result: Show::n($seal->travel()->millimetres).' mm',
                )
                : new Working('Cover comes down on it by', 'nothing', 'squeezed from the side', '0 mm', 'no face comes down on it'),
        ];
    }

    private function squeezed(SealSqueeze $seal): Check
    {
        $squeeze = $seal->squeeze()->percent();
        $said = sprintf('Squeezed by %s %%', Show::n($squeeze, 3));

        return match (true) {
            $squeeze <= 0.0 => Check::stop(
                'squeeze', 'Not squeezed at all: the groove is deeper than the ring is thick. A thicker ring, or a shallower groove.',
            ),
            $squeeze < self::SQUEEZE_ENDS[0] => Check::stop('squeeze', $said.': it will weep. A thicker ring, or a shallower groove.'),
            $squeeze > self::SQUEEZE_ENDS[1] => Check::stop(
                'squeeze', $said.': it is crushed and takes a set. A thinner ring, or a deeper groove.',
            ),
            $squeeze < self::SQUEEZE[0] || $squeeze > self::SQUEEZE[1] => Check::watch('squeeze', $said.': 15 to 30 % is usual.'),
            default => Check::ok('squeeze', $said.'.'),
        };
    }

    private function filled(SealSqueeze $seal): Check
    {
        $fill = $seal->fill()->percent();

        return match (true) {
            $fill > self::FILL[1] => Check::stop(
                'fill',
                sprintf('It fills the groove to %s %%: it swells and has nowhere to go. A wider groove.', Show::n($fill, 3)),
            ),
            $fill > self::FILL[0] => Check::watch(
                'fill', sprintf('It fills the groove to %s %%: little is left for heat and swelling.', Show::n($fill, 3)),
            ),
            default => Check::ok('fill', sprintf('It fills the groove to %s %%.', Show::n($fill, 3))),
        };
    }

    private function stretched(SealSqueeze $seal): Check
    {
        $stretch = $seal->stretch()->percent();

        return match (true) {
            $stretch > self::STRETCH[1] => Check::watch(
                'stretch', sprintf('Stretched by %s %%: it ages early. A larger ring.', Show::n($stretch, 3)),
            ),
            $stretch < self::STRETCH[0] => Check::watch(
                'stretch', sprintf('%s %% too large for its groove: it buckles. A smaller ring.', Show::n(-$stretch, 3)),
            ),
            default => Check::ok('stretch', sprintf('Stretched by %s %%.', Show::n($stretch, 3))),
        };
    }

    /** With pressure inside a ring is pushed outwards: there it should lie from the start. */
    private function seated(Inputs $in, float $outside): Check
    {
        $groove = $in->number('groove_outer', Kind::Length);
        $groove > $in->number('groove_inner', Kind::Length) || throw InvalidInput::in(
            'groove_outer', 'The groove is larger outside than inside: swap the two.',
        );
        $gap = $groove - $outside;

        return $gap > 0.01 * $groove
            ? Check::watch(
                'seat',
                sprintf(
                    'It lies %s mm off the outer wall: with pressure inside it should lie against it from the start.',
                    Show::n($gap / 2, 2),
                ),
            )
            : Check::ok('seat', 'It lies against the outer wall.');
    }
}
