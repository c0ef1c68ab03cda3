<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\PhaseRuler;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\State\LedgerDrawing;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

final class FitSheetController extends AbstractController
{
    #[Route('/fits/{id}', name: 'fit_sheet', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function __invoke(string $id, FitBook $fits, Recorder $recorder, ProcedureShelf $shelf, ClockInterface $clock): Response
    {
        $record = $fits->get($id);
        $fit = $recorder->load($record);

        return $this->render('planning/sheet.html.twig', [
            'record' => $record, 'fit' => $fit, 'phases' => Phase::cases(),
            'ways' => $shelf->waysChosen($record->procedures, $record->choices, $record->procedureTexts),
            'ruler' => (new PhaseRuler($fit, $fit->course()->currentPhase()))->notches(),
            'minutesLeft' => $fit->course()->minutesLeft($clock->now()),
            'past' => $fits->pastDurations($record->title), 'ledger' => LedgerDrawing::strip($fit->sheet, $fit->vehicle),
            'mayRise' => self::mayRise($fit), 'again' => self::again($record),
        ]);
    }

    /** @return array<string, mixed> the address that begins another fit like it: same vehicle, same work, same ways */
    private static function again(FitRecord $record): array
    {
        $choices = [];
        foreach ($record->choices as $group => $option) {
            $choices['c_'.$group] = $option;
        }

        return ['vehicle' => $record->vehicle->id, 'procedures' => $record->procedures] + $choices;
    }

    /** @return array{float, string}|null how far the engine may go up where the sheet lifts it, and what comes near then */
    private static function mayRise(Fit $fit): ?array
    {
        foreach ($fit->sheet->doing(StepKind::Move) as $step) {
            if ('engine' === $step->target->load->body) {
                return $fit->vehicle->lifting->mayRise($fit->ground()->planned($step)->off);
            }
        }

        return null;
    }
}
