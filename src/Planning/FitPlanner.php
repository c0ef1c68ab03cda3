<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Causes\Complaint;
use NimbleKnuckle\App\Causes\ComplaintBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\App\Procedures\ProcedureTexts;
use NimbleKnuckle\App\Times\PaceBook;
use NimbleKnuckle\Core\Compiler\AppliedChoices;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Procedure\ChoiceGroup;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\Questions;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Sheet;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** Compiles a sheet for a vehicle and keeps it as a planned fit. */
final readonly class FitPlanner
{
    public function __construct(
        private ProcedureShelf $shelf, private KitReader $kit, private EntityManagerInterface $em, private ClockInterface $clock,
        private ProcedureTexts $texts, private ComplaintBook $complaints, private PaceBook $paces,
    ) {
    }

    /**
     * @param list<string> $procedureIds
     * @param array<string, string> $choices
     * @param ?Complaint $complaint it begins with, whose checks are made again at the end
     * @param string $fitter who fits it, by name; empty where that is not known
     *
     * @throws UnplannableFit
     */
    public function compile(
        VehicleRecord $vehicle, array $procedureIds, array $choices, int $people = 1, ?Complaint $complaint = null, string $fitter = '',
    ): Sheet {
        $extra = null === $complaint ? [] : [$complaint->procedure($this->shelf->common())];

        return (new Compiler($this->shelf->common()))->compile(
            [...$this->procedures($procedureIds), ...$extra], new Choices($choices), $vehicle->sheet(), $this->kit->kit(), $people,
            paces: $this->paces->paces($fitter),
        );
    }

    /**
     * @param list<string> $procedureIds
     * @param array<string, string> $choices
     *
     * @throws UnplannableFit
     */
    public function plan(
        VehicleRecord $vehicle, array $procedureIds, array $choices, string $by, ?\DateTimeImmutable $at = null, int $people = 1,
        ?Complaint $complaint = null, string $fitter = '',
    ): FitRecord {
        $choices = Questions::agreed($this->procedures($procedureIds), $choices);
        $sheet = $this->compile($vehicle, $procedureIds, $choices, $people, $complaint, $fitter);
        $known = null === $complaint ? [] : [
            $complaint->procedureId() => $this->texts->kept($complaint->procedureId(), $complaint->yaml())->hash,
        ];
        $ids = [...$procedureIds, ...array_keys($known)];
        $fit = self::record($vehicle, $sheet, $ids, $choices, $by, $at ?? $this->clock->now());
        $fit->procedureTexts = $this->shelf->kept($ids, $known);
        $this->em->persist($fit);
        $this->em->flush();
        null === $complaint || $this->complaints->begin($complaint, $vehicle, $by, $fit);

        return $fit;
    }

    /**
     * @param list<string> $procedureIds
     * @param array<string, string> $choices
     */
    public static function record(
        VehicleRecord $vehicle, Sheet $sheet, array $procedureIds, array $choices, string $by, \DateTimeImmutable $at,
        ?string $id = null,
    ): FitRecord {
        $fit = new FitRecord(
            $id ?? (string) new Ulid(), $vehicle, $sheet->title, $procedureIds, $choices, $vehicle->document, $sheet->toArray(),
            $at, $by,
        );
        $fit->stepsAll = count($sheet->steps);
        $fit->stepTitle = $sheet->steps[0]->words->title ?? '';
        $fit->minutesLeft = $sheet->timing->likely;
        $fit->minutesPlanned = $sheet->timing->likely;
        $fit->findings = count($sheet->findings);

        return $fit;
    }

    /** @return list<string> those whose times are known, by name */
    public function fitters(): array
    {
        return $this->paces->people();
    }

    /** @return list<ChoiceGroup> what is asked of every fit, where it changes something on this vehicle */
    public function habits(VehicleRecord $vehicle): array
    {
        return AppliedChoices::asked($this->shelf->common()->ways, $vehicle->sheet());
    }

    /**
     * @param list<string> $ids
     * @param array<string, string> $texts id => hash, of a fit that keeps what it was planned with
     *
     * @return list<Procedure>
     *
     * @throws UnplannableFit
     */
    public function procedures(array $ids, array $texts = []): array
    {
        return array_map(fn (string $id): Procedure => $this->shelf->procedure($id, $texts[$id] ?? '')
            ?? throw UnplannableFit::dueToNoProcedure(), $ids);
    }
}
