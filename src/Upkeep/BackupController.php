<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use NimbleKnuckle\App\Accounts\May;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\ResponseHeaderBag;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Copies of the database and its pictures, made and taken away in the browser. For a lead; putting one back stays a command. */
#[IsGranted(May::KeepBackups->value)]
final class BackupController extends AbstractController
{
    public function __construct(private readonly Backups $backups)
    {
    }

    #[Route('/backups', name: 'backups', methods: ['GET'])]
    public function all(): Response
    {
        return $this->render('upkeep/backups.html.twig', ['backups' => $this->backups->all(), 'photos' => $this->backups->photos()]);
    }

    #[Route('/backups', name: 'make_backup', methods: ['POST'])]
    public function make(): Response
    {
        try {
            $made = $this->backups->make();
            $this->addFlash('good', sprintf('Backup made and checked: %s.', $made->size()));
        } catch (\RuntimeException $e) {
            $this->addFlash('bad', $e->getMessage());
        }

        return $this->redirectToRoute('backups', [], Response::HTTP_SEE_OTHER);
    }

    #[Route('/backups/{name}', name: 'backup', requirements: ['name' => '[a-z0-9.-]{1,80}'], methods: ['GET'])]
    public function one(string $name): Response
    {
        $file = $this->backups->archive($name) ?? throw $this->createNotFoundException('There is no backup of that name.');
        $answer = new BinaryFileResponse($file, headers: ['Content-Type' => 'application/zip']);

        return $answer->deleteFileAfterSend()->setContentDisposition(
            ResponseHeaderBag::DISPOSITION_ATTACHMENT, substr($name, 0, -3).'.zip',
        );
    }
}
