<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fluids;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Fits\EventFollower;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\MixFromBench;
use NimbleKnuckle\Core\Fluids\Door\CoolantMix;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\FollowUp;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Circuit;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** The fluid log of each vehicle: entered by hand, and by each fit that is signed off over a filled circuit. */
final readonly class FluidBook implements EventFollower
{
    public function __construct(private EntityManagerInterface $em, private Connection $db, private ClockInterface $clock)
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
        $family = $this->db->fetchOne(
            "SELECT family FROM fluid_entry WHERE vehicle_id = ? AND circuit = 'coolant' AND kind = 'filled' AND family <> ''
                ORDER BY at DESC, id DESC LIMIT 1",
            [$vehicleId],
        );

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

    /**
     * Runs inside the transaction that keeps the event: signing off over a filled circuit writes down what went in, and so
     * does a look at the level that was topped up.
     */
    public function afterEvent(FitRecord $record, Fit $fit, FitEvent $event): void
    {
        if (EventType::FollowUpClosed === $event->type) {
            $this->toppedUp($record, $fit, $event);
        }
        if (EventType::Signed !== $event->type) {
            return;
        }
        $filled = $fit->state->readingOf('filled');
        $circuit = $fit->vehicle->circuitFor('coolant');
        if (null === $filled || null === $circuit) {
            return;
        }
        $this->write(
            $record, $event, 'coolant', FluidKind::Filled, $filled->value, self::strengthThen($circuit, $fit), $circuit->family,
            $record->title,
        );
    }

    private function toppedUp(FitRecord $record, Fit $fit, FitEvent $event): void
    {
        $followUps = array_map(static fn (Step $step): FollowUp => $step->followUp, $fit->sheet->doing(Deed::Book));
        $followUp = array_values(
            array_filter(
                $followUps,
                static fn (FollowUp $one): bool => $one->id === $event->string('follow_up')
                    && in_array($one->kind, ['level', 'oil-level'], true),
            ),
        )[0] ?? null;
        if (null === $followUp || 1 !== preg_match('~\d+(?:[.,]\d+)?\s*(?:ml|l|litres?|liters?)\b~iu', $event->string('outcome'), $m)) {
            return;
        }
        try {
            $litres = Notation::read(Kind::Volume, $m[0])->value();
        } catch (InvalidQuantity) {
            // What was found stands in the log as it was written; only litres that can be read go into the fluid log.
            return;
        }
        if ($litres > 0.0 && $litres < 50.0) {
            $this->write(
                $record, $event, 'level' === $followUp->kind ? 'coolant' : 'oil', FluidKind::ToppedUp, $litres, null, '',
                $event->string('outcome'),
            );
        }
    }

    private function write(
        FitRecord $record, FitEvent $event, string $circuit, FluidKind $kind, float $litres, ?float $percent, string $family,
        string $note,
    ): void {
        $this->db->insert('fluid_entry', [
            'id' => Ulid::generate($event->at), 'vehicle_id' => $record->vehicle->id, 'circuit' => $circuit, 'kind' => $kind->value,
            'at' => $event->at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
            'litres' => $litres, 'percent' => $percent, 'family' => $family, 'note' => mb_substr($note, 0, 300),
            'by_name' => $event->by, 'fit_id' => $record->id,
        ]);
    }

    private static function strengthThen(Circuit $circuit, Fit $fit): ?float
    {
        $mix = MixFromBench::of($circuit, $fit->state)->mix;

        return null === $mix ? null : round($mix->result()->percent(), 1);
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
