<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\ArmPlace;
use NimbleKnuckle\Core\BeltDrive\BeltDrawing;
use NimbleKnuckle\Core\BeltDrive\BeltFit;
use NimbleKnuckle\Core\BeltDrive\NoBeltPath;
use NimbleKnuckle\Core\BeltDrive\Pulley;
use NimbleKnuckle\Core\BeltDrive\Tensioner;
use NimbleKnuckle\Core\BeltDrive\TensionerFit;
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

/** The door of the belt that fits: lengths in mm or codes in, angle of the arm and its place in the window out. */
final readonly class BeltFitSum implements Sum
{
    public function about(): About
    {
        return new About('belt-fit', 'Which belt fits', 'What turns', static fn (): array => [
            ...DriveReading::fields(),
            Field::text(
                'tensioner', 'Tensioner', 'tensioner 169 159 61 175 160 125',
                'Which pulley sits on the arm; its pivot to the right and up; arm in mm; then the angle it rests at without a belt and '
                    .'the two ends of its window, in degrees: 0 to the right, 90 up.',
            ),
            Field::text('belt', 'Belt', '6PK1570', 'Its length or its code.')->optional(),
            Field::text('belts', 'Belts on the shelf', '6PK1555; 6PK1570; 6PK1585')->optional(),
        ], ['pulleys' => DriveReading::EXAMPLE, 'belts']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Belt', [Headline::figure($r->number('best'), 'mm')],
            sprintf('the arm at %s %% of its window', Show::n($r->number('travel'), 2)),
        );
    }

    public function drawing(Inputs $in, SumResult $r): ?array
    {
        [$fit, $tensioner, $idler, $pulleys] = self::read($in);
        try {
            $path = $fit->at($r->number('arm'));
        } catch (NoBeltPath) {
            return null;
        }
        $pulleys[$idler] = $tensioner->on($pulleys[$idler], $r->number('arm'));

        return ['belt', BeltDrawing::of(array_values($pulleys), $path, $tensioner, $r->number('arm'), $idler)];
    }

    /** @return array{BeltFit, Tensioner, int, non-empty-list<Pulley>} */
    private static function read(Inputs $in): array
    {
        $pulleys = DriveReading::pulleys($in);
        [$tensioner, $d, $name] = DriveReading::tensioner($in);
        $idler = DriveReading::idler($pulleys, $name);
        $pulleys[$idler] = $d > 0.0 ? $pulleys[$idler]->sized($d) : $pulleys[$idler];
        $pulleys = array_values($pulleys);
        try {
            return [BeltFit::of($pulleys, $idler, $tensioner, DriveReading::section($in)), $tensioner, $idler, $pulleys];
        } catch (NoBeltPath $e) {
            throw InvalidInput::in('' === $e->pulley || $e->at === $idler ? 'tensioner' : 'pulleys', $e->getMessage());
        }
    }

    public function compute(Inputs $in): SumResult
    {
        [$fit, $tensioner] = self::read($in);
        $in->has('belt') || $in->has('belts') || throw InvalidInput::missing('belt', '6PK1570');
        $lengths = $in->has('belt') ? [DriveReading::length('belt', $in->raw['belt'])] : [];
        foreach ($in->has('belts') ? $in->items('belts') : [] as $one) {
            $lengths[] = DriveReading::length('belts', $one);
        }[] !== $lengths || throw InvalidInput::missing('belt', '6PK1570');
        $places = array_map($fit->place(...), $lengths);
        $best = $places[$fit->best($lengths)] ?? $places[0];
        $middle = $fit->middle();

        return new SumResult($this->about()->name, $in->raw, [
            'best' => Value::of($best->length, Unit::Millimetre->value),
            'arm' => Value::of($best->angle, Unit::Degree->value),
            'travel' => Value::of($best->travel, Unit::Percent->value),
            'arms' => Value::listOf(array_map(static fn (ArmPlace $one): float => $one->angle, $places), Unit::Degree->value),
            'travels' => Value::listOf(array_map(static fn (ArmPlace $one): float => $one->travel, $places), Unit::Percent->value),
        ] + (null === $middle ? [] : ['middle' => Value::of($middle, Unit::Millimetre->value)]),
            [self::judged($best)], self::working($places, $tensioner, $middle));
    }

    public static function judged(ArmPlace $best): Check
    {
        $belt = Show::n($best->length, 5).' mm';

        return match ($best->take) {
            TensionerFit::InWindow => Check::ok('window', sprintf(
                'The belt of %s puts the arm at %s %% of its window.', $belt, Show::n($best->travel, 2),
            )),
            TensionerFit::TooLong => Check::stop('too-long', sprintf('The belt of %s is too long: the arm cannot take it up.', $belt)),
            TensionerFit::TooShort => Check::stop('too-short', sprintf('The belt of %s is too short: it does not go on.', $belt)),
            TensionerFit::LongOfWindow => Check::stop('outside-window', sprintf(
                'The belt of %s is too long: the arm stands at %s°, short of its window.', $belt, Show::n($best->angle, 3),
            )),
            TensionerFit::ShortOfWindow => Check::stop('outside-window', sprintf(
                'The belt of %s is too short: the arm stands at %s°, past its window.', $belt, Show::n($best->angle, 3),
            )),
        };
    }

    /**
     * @param list<ArmPlace> $places
     *
     * @return list<Working>
     */
    private static function working(array $places, Tensioner $tensioner, ?float $middle): array
    {
        $window = sprintf('window %s° to %s°', Show::n($tensioner->near), Show::n($tensioner->far));
        $lines = array_map(static fn (ArmPlace $one): Working => new Working(
            Show::n($one->length, 5).' mm', 'Le(arm) = belt; travel = (arm − near)/(far − near)', $window, sprintf(
                '%s°, %s %%', Show::n($one->angle), Show::n($one->travel, 3),
            ), 'solved by false position',
        ), $places);
        if (null !== $middle) {
            $lines[] = new Working(
                'Middle of the window', 'Le at the middle', $window, Show::n($middle, 5).' mm', 'plane geometry of tangents',
            );
        }

        return $lines;
    }
}
