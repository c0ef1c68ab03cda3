<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Authoring;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\App\Procedures\ProcedureTexts;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\ResponseHeaderBag;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Procedures to read, to take away, and for a lead to write: a shipped one is copied and changed, every version is kept. */
final class ProcedureController extends AbstractController
{
    private const ID = ['id' => '[a-z0-9-]{1,60}'];
    private const MOST = 200_000;

    public function __construct(private readonly ProcedureShelf $shelf, private readonly ProcedureTexts $texts)
    {
    }

    #[Route('/procedures', name: 'procedures', methods: ['GET'])]
    public function list(): Response
    {
        return $this->render('procedures/list.html.twig', [
            'procedures' => $this->shelf->all(), 'damaged' => $this->shelf->damaged(), 'shelf' => $this->shelf,
        ]);
    }

    #[Route('/procedures/write', name: 'write_procedure', methods: ['GET', 'POST'])]
    #[IsGranted(May::KeepProcedures->value)]
    public function write(Request $request, ProcedureCheck $check, #[CurrentUser] AccountRecord $person): Response
    {
        $yaml = $request->isMethod('POST') ? $this->given($request) : $this->begun($request);
        $checked = '' === trim($yaml) ? new Checked(null, [], []) : $check->of($yaml);
        if ('keep' === $request->request->getString('do') && null !== $checked->procedure && [] === $checked->faults) {
            $kept = $this->shelf->keepOwn($checked->procedure->id, $yaml, $person->name);
            $this->addFlash('good', sprintf(
                'Kept as version %d of your own. Fits in hand keep the text they were planned with.', $kept->version,
            ));

            return $this->redirectToRoute('procedure', ['id' => $checked->procedure->id], Response::HTTP_SEE_OTHER);
        }

        return $this->render('procedures/write.html.twig', [
            'yaml' => $yaml, 'checked' => $checked, 'phases' => Phase::cases(), 'deeds' => StepKind::cases(),
            'roles' => $this->shelf->all(), 'isKnown' => null !== $this->shelf->text($checked->procedure->id ?? ''),
        ], new Response(status: $request->isMethod('POST') && [] !== $checked->faults ? 422 : 200));
    }

    #[Route('/procedures/{id}', name: 'procedure', requirements: self::ID, methods: ['GET'], priority: -1)]
    public function read(string $id): Response
    {
        $procedure = $this->shelf->procedure($id) ?? throw $this->createNotFoundException('There is no such procedure.');

        return $this->render('procedures/page.html.twig', [
            'procedure' => $procedure, 'isOwn' => $this->shelf->isOwn($id), 'isShipped' => $this->shelf->isShipped($id),
            'versions' => $this->texts->versions($id), 'phases' => Phase::cases(),
        ]);
    }

    #[Route('/procedures/{id}/text', name: 'procedure_text', requirements: self::ID, methods: ['GET'])]
    public function text(string $id, Request $request): Response
    {
        $hash = $request->query->getString('version');
        $version = '' === $hash ? null : $this->texts->text($hash);
        $yaml = '' === $hash ? $this->shelf->text($id) : ($id === $version?->procedureId ? $version->yaml : null);
        $answer = new Response($yaml ?? throw $this->createNotFoundException('There is no such procedure.'));
        $answer->headers->set('Content-Type', 'application/yaml; charset=UTF-8');
        $answer->headers->set('Content-Disposition', $answer->headers->makeDisposition(
            ResponseHeaderBag::DISPOSITION_ATTACHMENT, $id.'.yaml',
        ));

        return $answer;
    }

    #[Route('/procedures/{id}/shelve', name: 'shelve_procedure', requirements: self::ID, methods: ['POST'])]
    #[IsGranted(May::KeepProcedures->value)]
    public function shelve(string $id): Response
    {
        $this->shelf->isOwn($id) || throw $this->createNotFoundException('There is no procedure of your own of that name.');
        $this->shelf->shelve($id);
        $this->addFlash('good', $this->shelf->isShipped($id)
            ? 'The shipped one is planned with again. Your versions are kept.' : 'It is off the shelf. Its versions are kept.');

        return $this->redirectToRoute('procedures', [], Response::HTTP_SEE_OTHER);
    }

    /** What was typed, or a file that was chosen: it is looked over first, like anything typed. */
    private function given(Request $request): string
    {
        $file = $request->files->get('file');
        $text = $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= self::MOST
            ? (string) file_get_contents($file->getPathname()) : $request->request->getString('yaml');
        // A browser sends what was typed with carriage returns; the same text is the same version.
        $text = str_replace("\r\n", "\n", $text);

        return mb_check_encoding($text, 'UTF-8') ? mb_strcut($text, 0, self::MOST) : '';
    }

    /** A copy to begin from: under its own id it takes the place of the one it is of, under another it stands beside it. */
    private function begun(Request $request): string
    {
        $id = $request->query->getString('of');
        $hash = $request->query->getString('version');
        $version = '' === $hash ? null : $this->texts->text($hash);

        return $version->yaml ?? (string) $this->shelf->text($id);
    }
}
