<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Accounts\AccountBook;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\Bench\Event\EventTime;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sheet\Sheet;
use Psr\Clock\ClockInterface;

/** A fit as nimble-knuckle/fit@1: written, and read back. Both ways it is held against the schema. */
final readonly class FitDocument
{
    public const FORMAT = 'nimble-knuckle/fit@1';

    public function __construct(
        private SchemaBook $schemas, private EventLog $log, private Recorder $recorder, private Garage $garage,
        private EntityManagerInterface $em, private FitReadings $readings, private AccountBook $accounts,
        private ClockInterface $clock,
    ) {
    }

    public function write(FitRecord $record): string
    {
        $document = [
            'format' => self::FORMAT,
            'id' => $record->id,
            'title' => $record->title,
            'created_at' => $record->createdAt->format(\DATE_ATOM),
            'created_by' => $record->createdBy,
            'procedures' => $record->procedures,
            'choices' => (object) $record->choices,
            'vehicle' => $record->vehicleDocument,
            'sheet' => $record->sheetDocument,
            'events' => array_map(
                static fn (FitEvent $event): array => ['payload' => (object) $event->payload] + $event->toArray()
                    + ('' === $event->receipt->against ? [] : ['against' => $event->receipt->against])
                    + ('' === $event->receipt->beside ? [] : ['beside' => $event->receipt->beside]),
                $this->log->of($record->id),
            ),
        ];
        $readings = $this->readings->of($record->id);
        $document += [] === $readings ? [] : ['readings' => $readings];
        $this->schemas->ensureValid($document, 'fit-1');

        return json_encode(
            $document,
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRETTY_PRINT | \JSON_PRESERVE_ZERO_FRACTION,
        )."\n";
    }

    /**
     * A fit we do not have is entered as it was told; of one we have, the events that are missing are added, each checked as
     * if it were made now by whoever brings the file, so that nobody signs by import what they could not sign.
     *
     * @throws InvalidDocument naming the place and the remedy
     */
    public function read(string $json, Authority $hand = Authority::Mechanic, string $via = 'the console'): FitRecord
    {
        $document = json_decode($json, true, 64);
        is_array($document) || throw InvalidDocument::at('', 'this is not JSON. Choose a file that was exported from a fit.');
        $this->schemas->ensureValid(json_decode($json), 'fit-1');
        $node = Node::of($document);

        return $this->em->wrapInTransaction(fn (): FitRecord => $this->taken($node, $hand, $via));
    }

    /** All of it or nothing. */
    private function taken(Node $node, Authority $hand, string $via): FitRecord
    {
        $known = $this->em->find(FitRecord::class, $node->string('id'));
        $record = $known ?? $this->entered($node);
        $isSigned = null !== $known && null !== $this->recorder->load($known)->state->signed;
        $this->readings->enter($record->id, $node->nodes('readings'), $via, $isSigned);
        $this->addEvents($record, $node, $hand, $via, null === $known);

        return $record;
    }

    private function entered(Node $node): FitRecord
    {
        $vehicleDocument = $node->node('vehicle')->raw();
        $vehicle = $this->em->find(VehicleRecord::class, $node->node('vehicle')->string('id')) ?? $this->garage->keep($vehicleDocument);
        $sheet = Sheet::read($node->node('sheet'));
        $choices = [];
        foreach ($node->node('choices')->keys() as $group) {
            $choices[$group] = $node->node('choices')->string($group);
        }
        try {
            $created = new \DateTimeImmutable($node->string('created_at'));
        } catch (\Exception) {
            throw InvalidDocument::at('created_at', 'an instant as ISO 8601 is needed.');
        }
        $record = FitPlanner::record(
            $vehicle, $sheet, $node->strings('procedures'), $choices, $node->string('created_by'), $created, $node->string('id'),
        );
        [$record->title, $record->vehicleDocument] = [$node->string('title'), $vehicleDocument];
        $record->vehicleSheet();
        $this->em->persist($record);
        $this->em->flush();

        return $record;
    }

    /** On a fit of ours only our own people can have done something. */
    private function ensureOurs(string $by): void
    {
        $this->accounts->isName($by) || throw InvalidDocument::at(
            'events.by',
            sprintf('“%s” is nobody of this workshop. Only its own people add to a fit it has.', mb_substr($by, 0, 40)),
        );
    }

    private function addEvents(FitRecord $record, Node $node, Authority $hand, string $via, bool $replay): void
    {
        $events = [];
        $now = $this->clock->now();
        foreach ($node->nodes('events') as $event) {
            $at = EventTime::read($event->string('at'));
            // Into a fit of ours nothing comes from before it was made, and a signature is dated here.
            $at = $replay ? $at : ('signed' === $event->string('type') ? $now : max($at, $record->createdAt));
            $waited = max(0.0, (float) ($now->getTimestamp() - $at->getTimestamp()));
            $receipt = new Receipt($now, 'file', $waited, $via, $replay ? $event->string('against', '') : '', $event->string('beside', ''));
            $type = $event->enum('type', EventType::class);
            $replay || $this->ensureOurs($event->string('by'));
            if (EventType::Signed === $type && !$hand->may(BenchRight::SignOff)) {
                // A signature counts only where a lead brings it: the fit comes in unsigned.
                continue;
            }
            $payload = $this->readings->withoutFalseClaims($replay ? $record->id : '', $type, $event->node('payload')->raw());
            $events[] = FitEvent::of($event->string('id'), $type, $payload, $event->string('by'), $at, $receipt);
        }
        if ([] !== $events) {
            $this->recorder->record($record, $events, $hand, $replay);
        }
    }
}
