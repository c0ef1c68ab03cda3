<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use Doctrine\ORM\Mapping as ORM;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\Core\Compiler\AppliedChoices;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * One job on one vehicle. The vehicle sheet is kept as it was when the fit was planned, so a later edit does not change
 * a job in hand. The columns from phase on are a summary of the event log, brought up to date with every event.
 */
#[ORM\Entity]
#[ORM\Table(name: 'fit')]
#[ORM\Index(name: 'fit_status', columns: ['status', 'signed_at'])]
#[ORM\Index(name: 'fit_done', columns: ['status', 'archived', 'signed_at'])]
#[ORM\Index(name: 'fit_done_on', columns: ['vehicle_id', 'status', 'archived', 'signed_at'])]
#[ORM\Index(name: 'fit_durations', columns: ['status', 'title', 'signed_at', 'minutes_taken', 'minutes_planned'])]
#[ORM\Index(name: 'fit_vehicle', columns: ['vehicle_id', 'signed_at'])]
class FitRecord
{
    #[ORM\Column(length: 12, enumType: FitStatus::class)]
    public FitStatus $status = FitStatus::Planned;

    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $startedAt = null;

    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $signedAt = null;

    #[ORM\Column(length: 120)]
    public string $signedBy = '';

    #[ORM\Column(length: 12)]
    public string $phase = 'decide';

    #[ORM\Column(length: 200)]
    public string $stepTitle = '';

    #[ORM\Column]
    public float $minutesLeft = 0.0;

    #[ORM\Column]
    public float $minutesPlanned = 0.0;

    #[ORM\Column]
    public float $minutesTaken = 0.0;

    #[ORM\Column]
    public int $looseEnds = 0;

    #[ORM\Column]
    public int $stepsDone = 0;

    #[ORM\Column]
    public int $stepsAll = 0;

    #[ORM\Column]
    public int $findings = 0;

    #[ORM\Column(length: 200)]
    public string $waits = '';

    /** Grows with every new version of the sheet. */
    #[ORM\Column]
    public int $revision = 1;

    /** Put away: on no list where it is not asked for. */
    #[ORM\Column(options: ['default' => false])]
    public bool $archived = false;

    /**
     * Which text of each procedure it was planned with, by its hash: what is written later does not change it.
     *
     * @var array<string, string>
     */
    #[ORM\Column(type: 'json', options: ['default' => '{}'])]
    public array $procedureTexts = [];

    /** Which vehicle of its kind it is on, where somebody said; not a column of the fit. */
    public string $jobLabel = '';

    private ?VehicleSheet $frozen = null;
    private ?Sheet $compiled = null;

    /**
     * @param list<string> $procedures
     * @param array<string, string> $choices
     * @param array<array-key, mixed> $vehicleDocument
     * @param array<string, mixed> $sheetDocument
     */
    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\ManyToOne(targetEntity: VehicleRecord::class)]
        #[ORM\JoinColumn(nullable: false)]
        public readonly VehicleRecord $vehicle,
        #[ORM\Column(length: 200)]
        public string $title,
        #[ORM\Column(type: 'json')]
        public array $procedures,
        #[ORM\Column(type: 'json')]
        public array $choices,
        #[ORM\Column(type: 'json')]
        public array $vehicleDocument,
        #[ORM\Column(type: 'json')]
        public array $sheetDocument,
        #[ORM\Column(type: 'datetime_immutable')]
        public \DateTimeImmutable $createdAt,
        #[ORM\Column(length: 120)]
        public readonly string $createdBy,
    ) {
    }

    /** @param array<string, mixed> $row a row of the table with the vehicle's names; its present sheet is asked of the garage */
    public static function fromRow(array $row): self
    {
        $text = static fn (string $key): string => is_scalar($row[$key] ?? null) ? (string) $row[$key] : '';
        $json = static fn (string $key): Node => Node::of(json_decode($text($key), true, 64, \JSON_THROW_ON_ERROR), $key);
        $instant = static fn (string $key): ?\DateTimeImmutable => '' === $text($key) ? null : new \DateTimeImmutable($text($key));
        $choices = [];
        foreach ($json('choices')->keys() as $group) {
            $choices[$group] = $json('choices')->string($group);
        }
        $procedures = array_map(static fn (mixed $id): string => is_string($id) ? $id : '', array_values($json('procedures')->raw()));
        $vehicle = new VehicleRecord($text('vehicle_id'), $text('vehicle_name'), $text('vehicle_short'), []);
        $fit = new self(
            $text('id'), $vehicle, $text('title'), $procedures, $choices, $json('vehicle_document')->raw(),
            $json('sheet_document')->map(), $instant('created_at') ?? throw new \LogicException('A fit was made at some time.'),
            $text('created_by'),
        );
        [$fit->status, $fit->startedAt, $fit->signedAt, $fit->signedBy] = [
            FitStatus::from($text('status')), $instant('started_at'), $instant('signed_at'), $text('signed_by'),
        ];
        [$fit->phase, $fit->stepTitle, $fit->waits] = [$text('phase'), $text('step_title'), $text('waits')];
        [$fit->minutesLeft, $fit->minutesPlanned, $fit->minutesTaken] = [
            (float) $text('minutes_left'), (float) $text('minutes_planned'), (float) $text('minutes_taken'),
        ];
        $fit->revision = max(1, (int) $text('revision'));
        $fit->jobLabel = $text('job_label');
        $fit->archived = '1' === $text('archived');
        foreach ($json('procedure_texts')->keys() as $id) {
            $fit->procedureTexts[$id] = $json('procedure_texts')->string($id);
        }
        [$fit->looseEnds, $fit->stepsDone, $fit->stepsAll, $fit->findings] = [
            (int) $text('loose_ends'), (int) $text('steps_done'), (int) $text('steps_all'), (int) $text('findings'),
        ];

        return $fit;
    }

    public function vehicleSheet(): VehicleSheet
    {
        return $this->frozen ??= AppliedChoices::onto(VehicleSheet::read(Node::of($this->vehicleDocument)), new Choices($this->choices));
    }

    public function sheet(): Sheet
    {
        return $this->compiled ??= Sheet::read(Node::of($this->sheetDocument));
    }
}
