<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Drives;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\App\Web\Htmx;
use NimbleKnuckle\Core\BeltDrive\BeltSection;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The belt board: a drive as an editable drawing. Everything is tried before it is kept, and stays where it cannot be. */
final class BoardController extends AbstractController
{
    private const NEW = 'new';
    private const AT = ['id' => '[a-z0-9-]{1,80}', 'name' => '[a-z0-9][a-z0-9.-]{0,79}'];
    private const MOST_BYTES = 200_000;

    public function __construct(private readonly Garage $garage, private readonly DriveShelf $shelf)
    {
    }

    #[Route('/vehicles/{id}/drives/{name}', name: 'drive', requirements: self::AT, methods: ['GET'])]
    public function __invoke(string $id, string $name, Request $request): Response
    {
        $vehicle = $this->garage->get($id);
        $document = self::NEW === $name ? null : $this->shelf->document($vehicle, $name);
        $form = null === $document ? DriveForm::blank() : DriveForm::of($document);
        $seen = null === $document ? '' : ChangedMeanwhile::mark($document);

        return $this->board($vehicle, $name, $form, $seen, self::looks($request->query));
    }

    #[Route('/vehicles/{id}/drives/{name}', name: 'keep_drive', requirements: self::AT, methods: ['POST'])]
    #[IsGranted(May::KeepVehicles->value)]
    public function change(string $id, string $name, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $vehicle = $this->garage->get($id);
        self::NEW === $name || $this->shelf->document($vehicle, $name);
        $in = $request->request;
        $do = $in->getString('do');
        $form = DriveForm::posted($in);
        $said = $error = '';
        try {
            if ('keep' === $do) {
                return $this->kept($vehicle, $name, $form, $in->getString('seen'), $person->name);
            }
            if ('delete' === $do && self::NEW !== $name) {
                $this->shelf->drop($vehicle, $name, $person->name);
                $this->addFlash('good', 'Deleted. It can be undone under Edit.');

                return $this->redirectToRoute('vehicle', ['id' => $id], Response::HTTP_SEE_OTHER);
            }
            [$form, $said] = match (true) {
                'place' === $do => $form->placed(),
                'read' === $do => [DriveForm::of($this->uploaded($request)), 'Read. Nothing is kept yet.'],
                default => [$form->changed($do), ''],
            };
        } catch (CoreException $e) {
            $error = $e->getMessage();
        }

        return $this->board(
            $vehicle, $name, $form, $in->getString('seen'), self::looks($in), $said, $error,
            Htmx::wantsFragment($request),
        );
    }

    private function kept(VehicleRecord $vehicle, string $name, DriveForm $form, string $seen, string $person): Response
    {
        $id = self::NEW === $name ? $this->shelf->freeId($vehicle, $form->name) : $name;
        $this->shelf->keep($vehicle, $form->document($id), $seen, $person);
        $this->addFlash('good', 'Kept on the vehicle sheet. Fits in hand keep the sheet they were planned with.');

        return $this->redirectToRoute('drive', ['id' => $vehicle->id, 'name' => $id], Response::HTTP_SEE_OTHER);
    }

    /**
     * @param InputBag<string> $in
     *
     * @return array{bool, bool} from behind; all belts in one picture
     */
    private static function looks(InputBag $in): array
    {
        return [$in->getBoolean('behind'), $in->getBoolean('all')];
    }

    /** @param array{bool, bool} $looks */
    private function board(
        VehicleRecord $vehicle, string $name, DriveForm $form, string $seen, array $looks, string $said = '', string $error = '',
        bool $isFragment = false,
    ): Response {
        [$behind, $all] = $looks;
        $others = array_values(array_filter($vehicle->sheet()->drives, static fn (Drive $one): bool => $all && $one->id !== $name));
        $view = null;
        $missing = '';
        try {
            $view = BoardView::of(Drive::read(Node::of($form->document(self::NEW === $name ? 'tried' : $name))), $behind, $others);
        } catch (CoreException $e) {
            // It is not whole yet: what is missing is said in the place of the figures.
            $missing = $e->getMessage();
        }
        $given = [
            'vehicle' => $vehicle, 'name' => $name, 'form' => $form, 'view' => $view, 'missing' => $missing, 'said' => $said,
            'error' => $error, 'seen' => $seen, 'behind' => $behind, 'all' => $all,
            'sections' => BeltSection::names(),
            'drives' => $vehicle->sheet()->drives, 'items' => $vehicle->sheet()->items,
        ];
        if ($isFragment) {
            return $this->renderBlock('drives/board.html.twig', 'drawn', $given);
        }

        return $this->render('drives/board.html.twig', $given, new Response(
            status: '' === $error ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
        ));
    }

    /**
     * A file of nimble-knuckle/drive@1.
     *
     * @return array<array-key, mixed>
     */
    private function uploaded(Request $request): array
    {
        $file = $request->files->get('file');
        $file instanceof UploadedFile && $file->isValid() || throw InvalidInput::in('file', 'Choose a file of a belt first.');
        $file->getSize() <= self::MOST_BYTES || throw InvalidInput::in('file', 'That file is too large for a belt.');
        $document = json_decode($file->getContent(), true, 16);
        is_array($document) && Drive::FORMAT === ($document['format'] ?? '') || throw InvalidInput::in(
            'file', sprintf('This is no belt: a file of %s as JSON is needed.', Drive::FORMAT),
        );
        Drive::read(Node::of($document));

        return $document;
    }
}
