<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fluids;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Fluids\Door\CoolantMix;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\Circuit;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** The fluid log of each vehicle: entered by hand, and by each fit that is signed off over a filled circuit. */
final readonly class FluidBook
{
    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    /** @return list<FluidEntry> oldest first */
    public function of(string $vehicleId, string $circuit): array
    {
        return array_values(
            $this->em->getRepository(FluidEntry::class)->findBy(
                ['vehicleId' => $vehicleId, 'circuit' => $circuit], ['at' => 'ASC', 'id' => 'ASC'],
            ),
        );
    }

    /** The family last filled in, in small letters; empty where nobody wrote it down. */
    public function familyIn(string $vehicleId): string
    {
        $filled = $this->em->createQueryBuilder()->select('e.family')->from(FluidEntry::class, 'e')
            ->where("e.vehicleId = :vehicle AND e.circuit = 'coolant' AND e.kind = :filled AND e.family <> ''")
            ->orderBy('e.at', 'DESC')->addOrderBy('e.id', 'DESC')->setMaxResults(1)
            ->setParameter('vehicle', $vehicleId)->setParameter('filled', FluidKind::Filled)
            ->getQuery()->getOneOrNullResult();
        $family = is_array($filled) ? $filled['family'] ?? '' : '';

        return is_string($family) ? mb_strtolower($family) : '';
    }

    /**
     * @param array<string, mixed> $form
     *
     * @throws InvalidInput naming the field
     */
    public function enter(
        string $vehicleId, string $circuit, array $form, string $by, ?\DateTimeImmutable $at = null,
        Glycol $base = Glycol::Ethylene,
    ): FluidEntry {
        $in = Inputs::of(
            array_intersect_key($form, array_flip(['kind', 'litres', 'percent', 'before', 'after', 'km', 'family', 'note'])),
            self::fields(),
        );
        $kind = FluidKind::tryFrom($in->text('kind'));
        null !== $kind && $kind->isOf($circuit) || throw InvalidInput::in('kind', 'Say what was done: filled, topped up, or only read.');
        $number = static fn (string $name, Kind $as, float $most): ?float => $in->has($name) ? $in->between($name, $as, 0.0, $most) : null;
        $entry = new FluidEntry(
            (string) new Ulid(), $vehicleId, $circuit, $kind, $at ?? $this->clock->now(),
            $number('litres', Kind::Volume, 100.0), $in->has('percent') ? CoolantMix::strength($in, 'percent', $base)[0] : null,
            $number('before', Kind::Length, 300.0), $number('after', Kind::Length, 300.0), $number('km', Kind::Distance, 3e6),
            $in->has('family') ? mb_substr($in->text('family'), 0, 80) : '',
            $in->has('note') ? mb_substr($in->text('note'), 0, 300) : '', $by,
        );
        self::ensureWhole($entry);
        $this->em->persist($entry);
        $this->em->flush();

        return $entry;
    }

    private static function ensureWhole(FluidEntry $entry): void
    {
        $needs = match ($entry->kind) {
            FluidKind::Filled, FluidKind::ToppedUp => null === $entry->litres ? 'litres' : '',
            FluidKind::Strength => null === $entry->percent ? 'percent' : '',
            FluidKind::Dip => null === $entry->dipAfter ? 'after' : '',
            FluidKind::Level => '',
        };
        '' === $needs || throw InvalidInput::in($needs, match ($needs) {
            'litres' => 'Write down how much went in, such as 0.2 L.',
            'percent' => 'Write down the strength, such as 48 %.',
            default => 'Write down what the dipstick showed, in mm from its end.',
        });
        null === $entry->dipBefore || null === $entry->dipAfter || $entry->dipAfter >= $entry->dipBefore || throw InvalidInput::in(
            'after', 'After a pour the stick shows more than before: swap the two.',
        );
    }

    /** @return list<Field> */
    private static function fields(): array
    {
        return [
            Field::text('kind', 'What', 'topped-up'),
            Field::quantity('litres', 'Went in', Kind::Volume, '0.2 L')->optional(),
            Field::quantity('percent', 'Strength', Kind::Percent, '48 %')->optional(),
            Field::quantity('before', 'Dipstick before', Kind::Length, '12 mm')->optional(),
            Field::quantity('after', 'Dipstick after', Kind::Length, '20 mm')->optional(),
            Field::quantity('km', 'Distance', Kind::Distance, '84,200 km')->optional(),
            Field::text('family', 'Family', 'OA-7')->optional(),
            Field::text('note', 'Note', 'after the first drive')->optional(),
        ];
    }
}
