<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\App\Times\PaceBook;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Compiler\Arrange\RunningFitSnapshot;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Vehicle\VehicleOne;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Psr\Clock\ClockInterface;

/** A new version of a sheet in mid-job: the former one is kept, and every mark stays, since steps keep their ids. */
final readonly class Replanner
{
    public function __construct(
        private FitPlanner $planner, private ProcedureShelf $shelf, private KitReader $kit, private Recorder $recorder,
        private Connection $db, private ClockInterface $clock, private PaceBook $paces,
    ) {
    }

    /**
     * @param list<string> $procedures
     * @param array<string, string> $choices
     * @param array<array-key, mixed> $vehicle nimble-knuckle/vehicle@2, with what came up
     *
     * @throws UnplannableFit
     */
    public function compile(FitRecord $record, array $procedures, array $choices, array $vehicle): Sheet
    {
        $fit = $this->recorder->load($record);

        return (new Compiler($this->shelf->common()))->compile(
            $this->planner->procedures($procedures, $record->procedureTexts), new Choices($choices),
            VehicleSheet::read(Node::of($vehicle)),
            $this->kit->kit(), $fit->sheet->timing->people, RunningFitSnapshot::of($fit->sheet, $fit->actual(), $fit->vehicle),
            $this->paces->paces(),
        );
    }

    private static function putBehind(mixed $item, string $inFrontOf, string $id): mixed
    {
        if (!is_array($item) || ($item['id'] ?? null) !== $inFrontOf) {
            return $item;
        }
        $behind = is_array($item['behind'] ?? null) ? array_values($item['behind']) : [];

        return ['behind' => [...$behind, $id]] + $item;
    }

    /**
     * The vehicle sheet of a fit with one more item found in front of another.
     *
     * @return array<array-key, mixed>
     *
     * @throws UnplannableFit
     */
    public function withItem(FitRecord $fit, string $name, string $inFrontOf, int $fasteners): array
    {
        $document = VehicleOne::asTwo($fit->vehicleDocument);
        $items = is_array($document['items'] ?? null) ? $document['items'] : [];
        $id = trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($name)), '-');
        ('' !== $id && strlen($id) <= 60) || throw UnplannableFit::dueToItem('Give the item a name of letters and digits.');
        isset($fit->vehicleSheet()->items[$id]) && throw UnplannableFit::dueToItem(sprintf(
            'There is a “%s” on the vehicle sheet already: choose another name.', $name,
        ));
        $behind = $fit->vehicleSheet()->items[$inFrontOf] ?? throw UnplannableFit::dueToItem('Say what it lies in front of.');
        $items = array_map(static fn (mixed $item): mixed => self::putBehind($item, $inFrontOf, $id), $items);
        $items[] = [
            'id' => $id, 'name' => $name, 'place' => $behind->access->place->value, 'behind' => [], 'off' => [2, 4, 8],
            'on' => [2, 4, 8],
        ] + ($fasteners > 0 ? ['tray' => [['thing' => 'fasteners', 'count' => min(200, $fasteners)]]] : []);

        return ['items' => array_values($items)] + $document;
    }

    /**
     * @param list<string> $procedures
     * @param array<string, string> $choices
     * @param array<array-key, mixed> $vehicle
     * @param list<FitEvent> $events what is kept together with the new sheet, or not at all
     */
    public function adopt(
        FitRecord $fit, Sheet $sheet, array $procedures, array $choices, array $vehicle, string $by, string $reason,
        array $events = [],
    ): void {
        $this->db->transactional(function () use ($fit, $sheet, $procedures, $choices, $vehicle, $by, $reason, $events): void {
            $now = $this->db->fetchAssociative('SELECT revision, status FROM fit WHERE id = ?', [$fit->id]);
            in_array($now['status'] ?? '', ['planned', 'in-hand'], true)
                || throw UnplannableFit::dueToItem('The fit was signed off or stopped meanwhile: it is not planned again.');
            $fit->revision === (is_numeric($now['revision'] ?? null) ? (int) $now['revision'] : 0) || throw UnplannableFit::dueToItem(
                'Somebody planned this fit again meanwhile. What you see now is the new sheet: look at the change once more.',
            );
            $version = $this->db->fetchOne('SELECT COUNT(*) + 1 FROM fit_sheet_version WHERE fit_id = ?', [$fit->id]);
            $this->db->insert(
                'fit_sheet_version',
                [
                    'fit_id' => $fit->id, 'version' => is_numeric($version) ? (int) $version : 1,
                    'replaced_at' => $this->clock->now()->format('Y-m-d\TH:i:sP'), 'by_name' => $by, 'reason' => $reason,
                    'sheet_document' => self::json($fit->sheetDocument), 'vehicle_document' => self::json($fit->vehicleDocument),
                ],
            );
            $this->db->update(
                'fit',
                [
                    'title' => mb_substr($sheet->title, 0, 200), 'procedures' => self::json($procedures),
                    'procedure_texts' => self::json((object) $this->shelf->kept($procedures, $fit->procedureTexts)),
                    'choices' => self::json($choices), 'vehicle_document' => self::json($vehicle),
                    'sheet_document' => self::json($sheet->toArray()), 'steps_all' => count($sheet->steps),
                    'findings' => count($sheet->findings), 'minutes_planned' => $sheet->timing->likely,
                    'revision' => $fit->revision + 1,
                ],
                ['id' => $fit->id],
            );
            $this->recorder->record($fit, $events, Authority::Server);
        });
    }

    /** @return list<array{version: int, at: string, by: string, reason: string}> newest first */
    public function versions(string $fitId): array
    {
        $text = static fn (mixed $value): string => is_scalar($value) ? (string) $value : '';

        return array_map(
            static fn (array $row): array => [
                'version' => (int) $text($row['version']), 'at' => $text($row['replaced_at']), 'by' => $text($row['by_name']),
                'reason' => $text($row['reason']),
            ],
            $this->db->fetchAllAssociative(
                'SELECT version, replaced_at, by_name, reason FROM fit_sheet_version WHERE fit_id = ? ORDER BY version DESC',
                [$fitId],
            ),
        );
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION);
    }
}
