<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fluids;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\EventFollower;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Task\MixFromBench;
use NimbleKnuckle\Core\Procedure\FollowUp;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Circuit;
use Symfony\Component\Uid\Ulid;

/**
 * The fluid log kept by the fits themselves. Plain statements, inside the transaction of the mark: a flush there would write
 * whatever else the request holds.
 */
final readonly class FluidsOfFits implements EventFollower
{
    public function __construct(private Connection $db)
    {
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
            $record, $event, 'coolant', FluidKind::Filled, $filled->value, self::strengthThen($circuit, $fit), $circuit->blend->family,
            $record->title,
        );
    }

    private function toppedUp(FitRecord $record, Fit $fit, FitEvent $event): void
    {
        $followUps = array_map(static fn (Step $step): FollowUp => $step->asking->followUp, $fit->sheet->doing(StepKind::Book));
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
}
