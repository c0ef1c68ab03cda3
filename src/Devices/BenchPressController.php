<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\Core\PressFit\PressFault;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The curve of a hub that is pressed on: rows, a file, or the simulated press. */
final class BenchPressController extends AbstractController
{
    private const MOST_BYTES = 200_000;

    #[Route(
        '/fits/{id}/steps/{step}/press', name: 'press_curve', requirements: ['id' => '[0-9A-Z]{26}', 'step' => '[a-z0-9.-]+'],
        methods: ['POST'],
    )]
    public function __invoke(
        string $id, string $step, Request $request, FitBook $fits, BenchPress $press, #[CurrentUser] AccountRecord $person,
    ): Response {
        $record = $fits->get($id);
        $form = $request->request;
        try {
            $form->has('fault')
                ? $press->pull(
                    $record, $step, PressFault::tryFrom($form->getString('fault')) ?? PressFault::None, random_int(1, 1_000_000),
                    $person->name,
                )
                : $press->handIn($record, $step, $this->rows($request), $person->name);
        } catch (InvalidInput $e) {
            $this->addFlash('bad', $e->getMessage());
        }

        return $this->redirectToRoute('bench', ['id' => $id, 'step' => $step], Response::HTTP_SEE_OTHER);
    }

    private function rows(Request $request): string
    {
        $file = $request->files->get('curve');
        if (!$file instanceof UploadedFile || !$file->isValid()) {
            return $request->request->getString('rows');
        }
        $file->getSize() <= self::MOST_BYTES || throw InvalidInput::in('curve', 'That file is too large for a curve.');

        return $file->getContent();
    }
}
