<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\ItemList;
use NimbleKnuckle\Core\Vehicle\Shorthand;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Enter and change a vehicle sheet; what was typed stays when it cannot be kept, and every change can be undone. */
#[IsGranted(May::KeepVehicles->value)]
final class EditVehicleController extends AbstractController
{
    private const VEHICLE = ['id' => '[a-z0-9-]{1,80}'];

    public function __construct(
        private readonly Garage $garage, private readonly VehicleEditor $editor, private readonly KnownRoles $roles,
    ) {
    }

    #[Route('/vehicles/{id}/edit', name: 'edit_vehicle', requirements: self::VEHICLE, methods: ['GET', 'POST'])]
    public function __invoke(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $vehicle = $this->garage->get($id);
        $error = '';
        $meanwhile = null;
        $form = $request->isMethod('POST') ? $request->request : $this->begun($vehicle, $request->query);
        if ($request->isMethod('POST')) {
            try {
                $this->editor->apply($vehicle, $form->getString('what'), $form, $person->name);
                $this->addFlash('good', 'Kept on the vehicle sheet. Fits in hand keep the sheet they were planned with.');

                return $this->redirectToRoute('edit_vehicle', ['id' => $id], Response::HTTP_SEE_OTHER);
            } catch (ChangedMeanwhile $e) {
                [$error, $meanwhile] = [$e->getMessage(), $e];
            } catch (CoreException $e) {
                $error = $e->getMessage();
            }
        }

        return $this->page($id, $form, $error, $meanwhile);
    }

    /** @param InputBag<string> $form */
    private function page(string $id, InputBag $form, string $error, ?ChangedMeanwhile $meanwhile): Response
    {
        $vehicle = $this->garage->get($id);
        $sheet = $vehicle->sheet();
        $status = match (true) {
            null !== $meanwhile => Response::HTTP_CONFLICT,
            '' !== $error => Response::HTTP_UNPROCESSABLE_ENTITY,
            default => Response::HTTP_OK,
        };

        return $this->render('garage/edit.html.twig', [
            'vehicle' => $vehicle, 'sheet' => $sheet, 'changing' => $this->changing($vehicle, $form),
            'form' => $form, 'error' => $error, 'lifting' => LiftingForm::written($sheet),
            'roles' => $this->roles->book(), 'carried' => $this->roles->carried($sheet), 'byName' => VehicleEditor::BY_NAME,
            'wheels' => WheelForm::of($sheet), 'meanwhile' => $meanwhile,
            'document' => $vehicle->today(), 'changes' => $this->garage->changes($id),
        ], new Response(status: $status));
    }

    /**
     * What of the sheet the form is about, by its kind; nothing where it enters something new.
     *
     * @param InputBag<string> $form
     *
     * @return array{what: string, id: string, name: string}
     */
    private function changing(VehicleRecord $vehicle, InputBag $form): array
    {
        [$what, $id] = [$form->getString('what'), $form->getString('id')];
        $kind = SheetDocument::KINDS[$what] ?? '';
        $thing = '' === $kind || '' === $id ? null : (new SheetDocument($vehicle->today()))->thing($kind, $id);
        $name = $thing['name'] ?? $thing['body'] ?? '';

        return ['what' => null === $thing ? '' : $what, 'id' => $id, 'name' => is_string($name) ? $name : ''];
    }

    /**
     * A form begun elsewhere: a thing of the sheet to be changed, or what is missing for a procedure, by its kind and role.
     *
     * @param InputBag<string> $query
     *
     * @return InputBag<string>
     */
    private function begun(VehicleRecord $vehicle, InputBag $query): InputBag
    {
        foreach (SheetDocument::KINDS as $what => $key) {
            $id = $query->getString($what);
            $thing = '' === $id ? null : (new SheetDocument($vehicle->today()))->thing($key, $id);
            if (null !== $thing) {
                return WrittenThing::form($what, $id, $thing, $this->roles->book(), self::names($vehicle));
            }
        }
        [$kind, $role] = [$query->getString('add'), $query->getString('role')];
        $given = ['what' => $kind, 'role' => $role, 'name' => str_replace('-', ' ', $role)] + ('circuit' === $kind ? ['id' => $role] : []);

        /** @var InputBag<string> $begun */
        $begun = new InputBag($this->roles->book()->knows($kind, $role) ? $given + ['place' => 'above', 'kind' => 'part'] : []);

        return $begun;
    }

    /** @return array<string, string> id => name */
    private static function names(VehicleRecord $vehicle): array
    {
        return array_map(static fn (Item $item): string => $item->name, $vehicle->sheet()->items);
    }

    #[Route('/vehicles/{id}/undo', name: 'undo_vehicle', requirements: self::VEHICLE, methods: ['POST'])]
    public function undo(string $id, Request $request): Response
    {
        $undone = $this->garage->undo($this->garage->get($id)->id, $request->request->getInt('change'));
        $this->addFlash(null === $undone ? 'bad' : 'good', null === $undone
            ? 'Something else was changed after it: undo that first.' : sprintf('Undone: %s.', $undone));

        return $this->redirectToRoute('edit_vehicle', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    /** A list is read back first, and kept once every line is understood. */
    #[Route('/vehicles/{id}/list', name: 'vehicle_list', requirements: self::VEHICLE, methods: ['GET', 'POST'])]
    public function paste(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $vehicle = $this->garage->get($id);
        $text = $request->request->getString('list');
        $error = '';
        if ('keep' === $request->request->getString('do')) {
            try {
                $this->addFlash('good', sprintf('%d items are entered.', $this->editor->paste($vehicle, $text, $person->name)));

                return $this->redirectToRoute('edit_vehicle', ['id' => $id], Response::HTTP_SEE_OTHER);
            } catch (CoreException $e) {
                $error = $e->getMessage();
            }
        }
        $known = self::names($vehicle);

        return $this->render('garage/paste.html.twig', [
            'vehicle' => $vehicle, 'text' => $text, 'read' => ItemList::read($text, $known), 'error' => $error,
            'roles' => $this->roles->book(), 'known' => $known,
        ], new Response(status: '' === $error ? 200 : 422));
    }

    #[Route('/vehicles', name: 'new_vehicle', methods: ['POST'])]
    public function create(Request $request, NewVehicle $vehicles): Response
    {
        try {
            $vehicle = $vehicles->enter(trim($request->request->getString('name')), $request->request->getString('like'));
        } catch (CoreException $e) {
            $this->addFlash('bad', $e->getMessage());

            return $this->redirectToRoute('vehicles', [], Response::HTTP_SEE_OTHER);
        }

        return $this->redirectToRoute('edit_vehicle', ['id' => $vehicle->id], Response::HTTP_SEE_OTHER);
    }

    #[Route('/vehicles/{id}/{what}', name: 'put_away_vehicle', requirements: self::VEHICLE + ['what' => 'away|back'], methods: ['POST'])]
    public function putAway(string $id, string $what): Response
    {
        $vehicle = $this->garage->putAway($id, 'away' === $what);
        $this->addFlash('good', sprintf('away' === $what ? '%s is archived.' : '%s is back on the lists.', $vehicle->name));

        return $this->redirectToRoute('vehicles', [], Response::HTTP_SEE_OTHER);
    }

    /** Reads a shorthand line back while it is typed. */
    #[Route('/shorthand', name: 'shorthand', methods: ['GET'])]
    public function shorthand(Request $request): Response
    {
        return $this->render('garage/_shorthand.html.twig', ['read' => Shorthand::read($request->query->getString('line'))]);
    }
}
