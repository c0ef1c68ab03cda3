<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\BeltDrawing;
use NimbleKnuckle\Core\BeltDrive\BeltPath;
use NimbleKnuckle\Core\BeltDrive\Pulley;
use NimbleKnuckle\Core\BeltDrive\Side;
use NimbleKnuckle\Core\BeltDrive\Span;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of the belt's way: mm in, mm and degrees out. */
final readonly class BeltPathSum implements Sum
{
    /** mm from its pitch line to a rim it only passes: half a belt and some swing, a working value. */
    private const CLEAR = 5.0;

    public function about(): About
    {
        return new About(
            'belt-path', 'Belt length and wrap', 'What turns', DriveReading::fields(...), ['pulleys' => DriveReading::EXAMPLE],
        );
    }

    public function headline(SumResult $r): Headline
    {
        $wraps = $r->values['wraps']->entries();

        return new Headline(
            'Belt', [Headline::figure($r->number('length'), 'mm')],
            sprintf('least wrap %s°', Show::n((float) min([] === $wraps ? [0.0] : $wraps), 3)),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        $pulleys = DriveReading::pulleys($in);

        return ['belt', BeltDrawing::of($pulleys, DriveReading::path($pulleys, DriveReading::section($in)))];
    }

    public function compute(Inputs $in): SumResult
    {
        [$pulleys, $section] = [DriveReading::pulleys($in), DriveReading::section($in)];
        $path = DriveReading::path($pulleys, $section);
        $gaps = $path->gaps();
        $values = [
            'length' => Value::of($path->length, Unit::Millimetre->value),
            'wraps' => Value::listOf($path->wraps, Unit::Degree->value),
            'spans' => Value::listOf(array_map(static fn (Span $one): float => $one->length, $path->spans), Unit::Millimetre->value),
            'turns' => Value::names(array_map(
                static fn (int $at): string => $path->turnsWithCrank($at) ? 'with the crank' : 'against the crank', array_keys($pulleys),
            )),
        ];
        if ([] !== $gaps) {
            $values['gap'] = Value::of($gaps[0]['gap'], Unit::Millimetre->value);
            $values['gap_at'] = Value::names([$pulleys[$gaps[0]['pulley']]->name]);
        }

        return new SumResult($this->about()->name, $in->raw, $values, self::judged($path), self::working($path));
    }

    /** @return list<Check> */
    public static function judged(BeltPath $path): array
    {
        $checks = [];
        foreach ($path->pulleys as $i => $pulley) {
            $wrap = $path->wraps[$i];
            if ($path->hasLess($i, BeltPath::LITTLE)) {
                $said = sprintf('The belt lies round the %s for %s° only', $pulley->name, Show::n($wrap, 3));
                $checks[] = $wrap < BeltPath::LEAST
                    ? Check::stop('wrap', $said.': it will slip. Move an idler, or change the order.')
                    : Check::watch('wrap', $said.': it needs a tight belt.');
            }
        }
        foreach ($path->gaps() as $gap) {
            $gap['gap'] > 0.0 || $checks[] = Check::stop('through', self::passes($path, $gap, 'runs through'));
            $gap['gap'] <= 0.0 || $gap['gap'] >= self::CLEAR || $checks[] = Check::watch(
                'close', self::passes($path, $gap, sprintf('comes within %s mm of', Show::n($gap['gap'], 2))),
            );
        }
        foreach ($path->crossings() as [$one, $other]) {
            $checks[] = Check::stop('crossing', sprintf(
                'The belt runs through itself: %s to %s, and %s to %s.', $path->pulleys[$one->from]->name, $path->pulleys[$one->to]->name,
                $path->pulleys[$other->from]->name, $path->pulleys[$other->to]->name,
            ));
        }

        return [] === $checks ? [Check::ok('path', 'Every pulley has enough belt, and the belt runs clear.')] : $checks;
    }

    /** @param array{gap: float, span: int, pulley: int} $gap */
    private static function passes(BeltPath $path, array $gap, string $how): string
    {
        $span = $path->spans[$gap['span']];

        return sprintf(
            'The belt from the %s to the %s %s the %s.', $path->pulleys[$span->from]->name, $path->pulleys[$span->to]->name, $how,
            $path->pulleys[$gap['pulley']]->name,
        );
    }

    /** @return list<Working> */
    private static function working(BeltPath $path): array
    {
        $lines = [];
        $sum = 0.0;
        foreach ($path->pulleys as $i => $pulley) {
            $sum += (Side::Ribs === $pulley->side ? 1 : -1) * $path->wraps[$i];
            $lines[] = new Working(
                ucfirst($pulley->name), Side::Ribs === $pulley->side ? 'r = d/2 + be' : 'r = D/2 + tb, outside the loop',
                sprintf('d %s mm at %s, %s', Show::n($pulley->d), Show::n($pulley->x), Show::n($pulley->y)), sprintf(
                    '%s° on r %s mm, then %s mm of span', Show::n($path->wraps[$i]), Show::n($pulley->pitchRadius($path->section)),
                    Show::n($path->spans[$i]->length),
                ), 'plane geometry of tangents',
            );
        }
        $lines[] = new Working(
            'Once round', 'Σ ribbed wrap − Σ back wrap', self::names($path), Show::n($sum).'°', 'a closed belt turns once: 360°',
        );
        $lines[] = new Working(
            'Length', 'Le = Σ spans + Σ r·wrap − 2π be', sprintf('be %s mm', Show::n($path->section->be)),
            Show::n($path->length, 5).' mm', 'ISO 9981; tb is a working value',
        );

        return $lines;
    }

    private static function names(BeltPath $path): string
    {
        return implode(', ', array_map(static fn (Pulley $one): string => $one->name, $path->pulleys));
    }
}
