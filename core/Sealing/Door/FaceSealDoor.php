<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing\Door;

use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sealing\BeadDrawing;
use NimbleKnuckle\Core\Sealing\Face;
use NimbleKnuckle\Core\Sealing\FaceFit;
use NimbleKnuckle\Core\Sealing\FaceSeal;
use NimbleKnuckle\Core\Sealing\FaceWay;
use NimbleKnuckle\Core\Sealing\Sealed;
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

/** The door of a joint face: mm and °C in; bead in mm, amount in L, times in min out. */
final readonly class FaceSealDoor implements Sum
{
    private const USUAL = 20.0;
    private const WAYS = [
        'gasket' => 'New gasket', 'ring' => 'New ring', 'anaerobic' => 'Anaerobic sealant', 'silicone' => 'Silicone sealant',
        'reuse' => 'The old seal again',
    ];
    private const REASONS = [
        'gasket' => 'no setting, comes off clean, takes up uneven faces a little',
        'ring' => 'no setting; sits in its own groove',
        'anaerobic' => 'sets only between rigid metal faces, what squeezes out stays liquid and washes away',
        'silicone' => 'bridges uneven and pressed faces; what squeezes in breaks off and can block a passage',
        'reuse' => 'only where it is whole, soft and still stands above its seat',
    ];

    public function about(): About
    {
        return new About('face-seal', 'Joint face and sealant', 'Faces and rings', static fn (): array => [
            Field::quantity(
                'width', 'Flange width', Kind::Length, '14 mm', 'From inside to outside, at the narrowest.'
            )->within(1.0, 200.0),
            Field::quantity('length', 'Once round', Kind::Length, '420 mm', 'Along the middle of the face.')->within(5.0, 5000.0),
            Field::quantity('gap', 'Widest gap', Kind::Length, '0.10 mm', 'Straight edge and feeler.')->within(0.0, 10.0),
            Field::choice('faces', 'Faces', ['machined' => 'machined', 'cast' => 'cast', 'pressed' => 'pressed steel']),
            Field::choice('fluid', 'What it holds back', ['coolant' => 'coolant', 'oil' => 'oil', 'fuel' => 'fuel', 'air' => 'air']),
            Field::choice('was', 'What was there', array_slice(self::WAYS, 0, 4))->optional(),
            Field::choice('way', 'How you want to seal it', self::WAYS)->optional(),
            Field::quantity('temperature', 'Workshop', Kind::Temperature, '20 °C')->within(-20.0, 50.0)->optional(),
        ], ['gap' => '0.15 mm', 'faces' => 'cast', 'was' => 'silicone', 'temperature' => '8 °C']);
    }

    public function headline(SumResult $r): Headline
    {
        $way = (string) $r->entries('way')[0];
        if (0.0 === $r->number('bead')) {
            return new Headline('Seal it with', [['number' => mb_strtolower(self::WAYS[$way]), 'unit' => '']]);
        }

        return new Headline(
            self::WAYS[$way].', a bead of', [Headline::figure($r->number('bead'), 'mm')],
            sprintf(
                '%s mL, joint closed within %s, fluid after %s', Digits::significant(1000 * $r->number('amount'), 2),
                self::time($r->number('open')), self::time($r->number('fluid_after')),
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['bead', BeadDrawing::of(self::read($in), FaceWay::from((string) $r->entries('way')[0]))];
    }

    /** @throws InvalidInput */
    private static function read(Inputs $in): FaceSeal
    {
        return FaceSeal::of(
            $in->length('width'), $in->length('length'), $in->length('gap'),
            Face::from($in->oneOf('faces', 'machined', 'cast', 'pressed')),
            Sealed::from($in->oneOf('fluid', 'coolant', 'oil', 'fuel', 'air')),
            $in->has('was') ? FaceWay::from($in->oneOf('was', 'gasket', 'ring', 'anaerobic', 'silicone')) : null,
        );
    }

    public function compute(Inputs $in): SumResult
    {
        $seal = self::read($in);
        $fitting = $seal->fitting();
        $way = $in->has('way') ? FaceWay::from($in->oneOf('way', ...array_keys(self::WAYS)))
            : $fitting[0] ?? $seal->was ?? FaceWay::Gasket;
        $ambient = $in->has('temperature') ? $in->temperature('temperature') : Temperature::celsius(self::USUAL);

        return new SumResult($this->about()->name, $in->raw, [
            'way' => Value::names([$way->value]),
            'bead' => Value::of($seal->bead($way)->millimetres, Unit::Millimetre->value),
            'amount' => Value::of($seal->amount($way)->litres, Unit::Litre->value),
            'open' => Value::of($way->open()->minutes, Unit::Minute->value),
            'fluid_after' => Value::of($way->untilFluid($ambient)->minutes, Unit::Minute->value),
            'full' => Value::of($way->untilFull($ambient)->minutes, Unit::Minute->value),
            'suits' => Value::names(array_map(static fn (FaceWay $fits): string => $fits->value, $fitting)),
        ], [self::judged($seal, $way), ...self::cautions($way, $ambient)], self::working($seal, $way, $ambient));
    }

    private static function judged(FaceSeal $seal, FaceWay $way): Check
    {
        $fit = $seal->suits($way);
        $said = self::WAYS[$way->value].': '.self::because($seal, $way, $fit);

        return match (true) {
            $fit->isStop() => Check::stop('way', $said),
            FaceFit::Suits === $fit => Check::ok('way', $said),
            default => Check::watch('way', $said),
        };
    }

    private static function because(FaceSeal $seal, FaceWay $way, FaceFit $fit): string
    {
        $gap = Show::n($seal->gap->millimetres, 2);

        return match ($fit) {
            FaceFit::Suits => self::REASONS[$way->value].'.',
            FaceFit::GapTooWide => sprintf('it does not bridge a gap of %s mm. Skim the face, or another way.', $gap),
            FaceFit::GapWide => sprintf('a gap of %s mm is much for it. Find out what is bent before it goes together.', $gap),
            FaceFit::NoGroove => 'there was no ring: without a groove it has no seat.',
            FaceFit::NotRigid => 'pressed steel moves and breaks it. Silicone or a gasket.',
            FaceFit::InFuel => 'fuel swells and loosens it. Never in fuel.',
            FaceFit::BeadTooThick => sprintf(
                'a bead of %s mm is more than %s: it is pushed inside. Straighten the face first.',
                Show::n($seal->bead($way)->millimetres, 2), Show::n(FaceSeal::MOST_BEAD),
            ),
            FaceFit::NothingToReuse => 'a sealant is used once. Clean to bare metal and seal it again.',
            FaceFit::ReusedInFuel => 'never a used seal in fuel.',
            FaceFit::HeightIsLost => 'the gasket that was there had a thickness. Check what sits by it: shaft, seal, clearance.',
            FaceFit::HeightIsAdded => 'there was none: it adds its thickness. Check what sits by it: shaft, seal, clearance.',
        };
    }

    /** @return list<Check> */
    private static function cautions(FaceWay $way, Temperature $ambient): array
    {
        return $way->isSealant() ? [
            Check::ok('alone', 'On one bare, clean, dry face; never with a gasket, a ring or the other sealant.'),
            $ambient->celsius < FaceWay::COLD
                ? Check::watch('cold', sprintf('At %s °C it sets half as fast: times doubled.', Show::n($ambient->celsius, 2)))
                : Check::ok('cold', 'Times at 10 °C and over. What stands on the tube goes before them.'),
        ] : [];
    }

    /** @return list<Working> */
    private static function working(FaceSeal $seal, FaceWay $way, Temperature $ambient): array
    {
        $lines = [];
        if ($way->isSealant()) {
            $bead = Show::n($seal->bead($way)->millimetres);
            $filling = $seal->fillingFormula();
            $lines[] = new Working(
                'Bead', sprintf('%s, at least %s mm', $filling->written(), Show::n(FaceSeal::leastBead($way)->millimetres)),
                $filling->filled(), Show::n($seal->bead($way)->millimetres).' mm',
                'spread over the flange it fills the gap and 30 % more; the least bead is a working value',
            );
            $lines[] = Working::by(
                $seal->amountFormula($way), 'Amount', '', 'volume of the bead', result: Show::n(1000 * $seal->amount($way)->litres).' mL',
            );
            $lines[] = new Working(
                'Until fluid, until full load', '20 °C, doubled under 10 °C', Show::n($ambient->celsius).' °C',
                self::time($way->untilFluid($ambient)->minutes).', '.self::time($way->untilFull($ambient)->minutes),
                'working values; what stands on the tube goes before them',
            );
        }
        foreach (FaceWay::cases() as $other) {
            $fit = $seal->suits($other);
            $lines[] = new Working(
                self::WAYS[$other->value], self::REASONS[$other->value], self::rule($other),
                FaceFit::Suits === $fit ? 'suits' : self::because($seal, $other, $fit), 'working values',
            );
        }

        return $lines;
    }

    private static function rule(FaceWay $way): string
    {
        [$care, $most] = FaceSeal::GAPS[$way->value] ?? [0.0, 0.0];

        return match (true) {
            FaceWay::Silicone === $way => sprintf('bead to %s mm', Show::n(FaceSeal::MOST_BEAD)),
            $care === $most => sprintf('gap to %s mm', Show::n($most)),
            default => sprintf('gap to %s mm, with care to %s mm', Show::n($care), Show::n($most)),
        };
    }

    private static function time(float $minutes): string
    {
        return $minutes < 90.0 ? sprintf('%d min', (int) round($minutes)) : sprintf('%s h', Show::n($minutes / 60, 2));
    }
}
