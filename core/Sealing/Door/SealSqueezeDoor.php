<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing\Door;

use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sealing\GrooveDrawing;
use NimbleKnuckle\Core\Sealing\SealSqueeze;
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

/** The door of the seal's squeeze: mm in, percent and mm out. Bands after ISO 3601-2 practice. */
final readonly class SealSqueezeDoor implements Sum
{
    /** Percent of the thinned section: from, to which it is well, and past which it is a stop. */
    private const SQUEEZE = [15.0, 30.0];
    private const SQUEEZE_ENDS = [10.0, 35.0];
    private const FILL = [85.0, 95.0];
    private const STRETCH = [-1.0, 5.0];

    public function name(): string
    {
        return 'seal-squeeze';
    }

    public function summary(): string
    {
        return 'O-ring squeeze';
    }

    public function fields(): array
    {
        return [
            Field::quantity('section', 'Ring section', Kind::Length, '3.53 mm', 'Across the cord.'),
            Field::quantity('inner', 'Ring inside', Kind::Length, '44.0 mm', 'Lying free.'),
            Field::quantity('depth', 'Groove depth', Kind::Length, '2.8 mm', 'For a radial seal from the groove to the bore.'),
            Field::quantity('width', 'Groove width', Kind::Length, '4.7 mm'),
            Field::quantity('groove_inner', 'Groove inside', Kind::Length, '45.0 mm', 'The diameter the ring lies on.'),
            Field::quantity('groove_outer', 'Groove outside', Kind::Length, '54.4 mm')->optional(),
            Field::choice('use', 'Use', ['face' => 'under a flange', 'radial' => 'on a spigot in a bore'])->optional(),
        ];
    }

    public function group(): string
    {
        return 'Faces and rings';
    }

    public function example(): array
    {
        return [
            'section' => '3.53 mm',
            'inner' => '44.0 mm',
            'depth' => '2.8 mm',
            'width' => '4.7 mm',
            'groove_inner' => '45.0 mm',
            'use' => 'face',
        ];
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
        $inner = $in->between('inner', Kind::Length, 1.0, 1000.0);
        $on = $in->between('groove_inner', Kind::Length, 0.5, 1200.0);
        $on < 2 * $inner || throw InvalidInput::in(
            'groove_inner', 'That would stretch the ring to twice its size: measure groove and ring again.',
        );

        return SealSqueeze::of(
            Length::millimetres($in->between('section', Kind::Length, 0.5, 20.0)), Length::millimetres($inner),
            Length::millimetres($in->between('depth', Kind::Length, 0.1, 30.0)),
            Length::millimetres($in->between('width', Kind::Length, 0.3, 60.0)), Length::millimetres($on),
        );
    }

    public function compute(Inputs $in): SumResult
    {
        $seal = self::read($in);
        $isFace = !$in->has('use') || 'face' === $in->oneOf('use', 'face', 'radial');
        $outside = $in->number('inner', Kind::Length) + 2 * $in->number('section', Kind::Length);

        return new SumResult($this->name(), $in->raw, [
            'stretch' => Value::of($seal->stretch->percent(), Unit::Percent->value),
            'squeeze' => Value::of($seal->squeeze->percent(), Unit::Percent->value),
            'fill' => Value::of($seal->fill->percent(), Unit::Percent->value),
            'travel' => Value::of($isFace ? $seal->travel->millimetres : 0.0, Unit::Millimetre->value),
        ], [
            $this->squeezed($seal), $this->filled($seal), $this->stretched($seal),
            ...($isFace && $in->has('groove_outer') ? [$this->seated($in, $outside)] : []),
        ], $this->working($in, $seal, $isFace));
    }

    /** @return list<Working> */
    private function working(Inputs $in, SealSqueeze $seal, bool $isFace): array
    {
        [$section, $inner, $depth, $width, $on] = array_map(
            static fn (string $f): string => Show::n($in->number($f, Kind::Length)), ['section', 'inner', 'depth', 'width', 'groove_inner'],
        );
        $thinned = Show::n($seal->thinned->millimetres);

        return [
            new Working(
                'Stretch', '(Dg − Di) / Di', sprintf('(%s − %s) / %s', $on, $inner, $inner),
                sprintf('%s %%', Show::n($seal->stretch->percent(), 3)), 'definition',
            ),
            new Working(
                'Section when stretched', 'W′ = W √((Di + W)/(Dg + W))',
                sprintf('%s √((%s + %s)/(%s + %s))', $section, $inner, $section, $on, $section), $thinned.' mm',
                'the rubber keeps its volume; no thinner where it is not stretched',
            ),
            new Working(
                'Squeeze', '1 − h / W′', sprintf('1 − %s / %s', $depth, $thinned),
                sprintf('%s %%', Show::n($seal->squeeze->percent(), 3)), 'ISO 3601-2 practice',
            ),
            new Working(
                'Fill', 'π W′² / (4 h b)', sprintf('π %s² / (4 × %s × %s)', $thinned, $depth, $width),
                sprintf('%s %%', Show::n($seal->fill->percent(), 3)), 'area of the section in that of the groove',
            ),
            new Working(
                'Cover comes down on it by', $isFace ? 'W′ − h' : 'nothing: it is squeezed from the side',
                sprintf('%s − %s', $thinned, $depth), sprintf('%s mm', Show::n($isFace ? $seal->travel->millimetres : 0.0)),
                'until metal meets metal',
            ),
        ];
    }

    private function squeezed(SealSqueeze $seal): Check
    {
        $squeeze = $seal->squeeze->percent();
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
        $fill = $seal->fill->percent();

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
        $stretch = $seal->stretch->percent();

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
        $groove = $in->between('groove_outer', Kind::Length, 1.0, 1400.0);
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
