<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Web\KeptInput;
use NimbleKnuckle\App\Web\Typed;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The curve of a step: rows, a file, or the simulated device. */
final class CurveController extends AbstractController
{
    private const MOST_BYTES = 400_000;

    #[Route(
        '/fits/{id}/steps/{step}/curve', name: 'step_curve', requirements: ['id' => '[0-9A-Z]{26}', 'step' => '[a-z0-9.-]+'],
        methods: ['POST'],
    )]
    public function __invoke(
        string $id, string $step, Request $request, FitBook $fits, CurveBench $bench, KeptInput $typed,
        #[CurrentUser] AccountRecord $person,
    ): Response {
        $record = $fits->get($id);
        $form = $request->request;
        $given = Typed::texts($form->all('given'), array_fill_keys(array_map(strval(...), array_keys($form->all('given'))), ''));
        try {
            'simulate' === $form->getString('do')
                ? $bench->simulate($record, $step, $form->getString('fault'), random_int(1, 1_000_000), $given, $person->name)
                : $bench->handIn($record, $step, $this->rows($request), $given, $person->name);
            $typed->drop(CurveBench::form($id, $step));
        } catch (InvalidInput $e) {
            $typed->keep(CurveBench::form($id, $step), $form->all());
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
