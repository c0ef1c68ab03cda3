<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\CoreException;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\ResponseHeaderBag;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Fits out and in as open documents. */
final class ExchangeController extends AbstractController
{
    #[Route('/fits/{id}/export', name: 'export_fit', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function export(string $id, FitBook $fits, FitDocument $document): Response
    {
        $record = $fits->get($id);

        return new Response(
            $document->write($record),
            headers: [
                'Content-Type' => 'application/json',
                'Content-Disposition' => sprintf(
                    'attachment; filename="fit-%s-%s.json"', $record->vehicle->id, $record->createdAt->format('Y-m-d'),
                ),
            ],
        );
    }

    #[Route('/fits/{id}/export.zip', name: 'export_fit_zip', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function exportZip(string $id, FitBook $fits, FitArchive $archive): Response
    {
        $record = $fits->get($id);
        $answer = new BinaryFileResponse($archive->write($record), headers: ['Content-Type' => 'application/zip']);
        $answer->setContentDisposition(
            ResponseHeaderBag::DISPOSITION_ATTACHMENT,
            sprintf('fit-%s-%s.zip', $record->vehicle->id, $record->createdAt->format('Y-m-d')),
        );

        return $answer->deleteFileAfterSend();
    }

    #[Route('/import', name: 'import', methods: ['GET', 'POST'])]
    #[IsGranted(May::TakeIn->value)]
    public function import(
        Request $request, FitDocument $document, FitArchive $archive, FormFactoryInterface $forms, #[CurrentUser] AccountRecord $person,
    ): Response {
        $form = $forms->createNamed('', ImportForm::class, new Import());
        $form->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            try {
                $fit = $document->read($form->getData()->text($archive), $person->hand(), $person->name);
                $this->addFlash(
                    'good',
                    $person->hand()->may(BenchRight::SignOff)
                        ? 'The fit is in. What it says of others is shown as stated in the file.'
                        : 'The fit is in. What it says of others is shown as stated in the file; a signature counts only where '
                            .'a lead imports it.',
                );

                return $this->redirectToRoute('fit_sheet', ['id' => $fit->id], Response::HTTP_SEE_OTHER);
            } catch (CoreException $e) {
                $form->addError(new FormError($e->getMessage()));
            }
        }

        return $this->render(
            'exchange/import.html.twig', ['form' => $form], new Response(status: $form->isSubmitted() ? 422 : 200),
        );
    }
}
