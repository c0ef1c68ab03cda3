<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Plan\Vehicle\Shorthand;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Enter and change a vehicle sheet; what was typed stays when it cannot be kept. */
#[IsGranted('ROLE_MECHANIC')]
final class EditVehicleController extends AbstractController
{
    #[Route('/vehicles/{id}/edit', name: 'edit_vehicle', requirements: ['id' => '[a-z0-9-]{1,80}'], methods: ['GET', 'POST'])]
    public function __invoke(
        string $id, Request $request, Garage $garage, VehicleEditor $editor, KnownRoles $roles,
    ): Response {
        $vehicle = $garage->get($id);
        $error = '';
        $meanwhile = null;
        $form = $request->isMethod('POST') ? $request->request : self::wanted($request->query, $roles);
        if ($request->isMethod('POST')) {
            try {
                $editor->apply($vehicle, $form->getString('what'), $form);
                $this->addFlash('good', 'Kept on the vehicle sheet. Fits in hand keep the sheet they were planned with.');

                return $this->redirectToRoute('edit_vehicle', ['id' => $id], Response::HTTP_SEE_OTHER);
            } catch (ChangedMeanwhile $e) {
                [$error, $meanwhile] = [$e->getMessage(), $e];
            } catch (CoreException $e) {
                $error = $e->getMessage();
            }
        }
        $sheet = $garage->get($id)->sheet();

        $status = match (true) {
            null !== $meanwhile => Response::HTTP_CONFLICT,
            '' !== $error => Response::HTTP_UNPROCESSABLE_ENTITY,
            default => Response::HTTP_OK,
        };

        return $this->render('garage/edit.html.twig', [
            'vehicle' => $vehicle, 'sheet' => $sheet, 'item' => $sheet->items[$request->query->getString('item')] ?? null,
            'form' => $form, 'error' => $error, 'lifting' => LiftingForm::written($sheet),
            'roles' => $roles->book(), 'carried' => $roles->carried($sheet), 'byName' => VehicleEditor::BY_NAME,
            'meanwhile' => $meanwhile, 'document' => $garage->get($id)->document,
        ], new Response(status: $status));
    }

    /**
     * A form begun elsewhere: what is missing for a procedure, by its kind and role.
     *
     * @param InputBag<string> $query
     *
     * @return InputBag<string>
     */
    private static function wanted(InputBag $query, KnownRoles $roles): InputBag
    {
        [$kind, $role] = [$query->getString('add'), $query->getString('role')];
        $given = ['what' => $kind, 'role' => $role, 'name' => str_replace('-', ' ', $role)] + ('circuit' === $kind ? ['id' => $role] : []);

        /** @var InputBag<string> $begun */
        $begun = new InputBag($roles->book()->knows($kind, $role) ? $given + ['position' => 'ground', 'kind' => 'part'] : []);

        return $begun;
    }

    #[Route('/vehicles', name: 'new_vehicle', methods: ['POST'])]
    public function create(Request $request, Garage $garage): Response
    {
        $name = trim($request->request->getString('name'));
        $id = trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($name)), '-');
        if ('' === $id || mb_strlen($name) > 120) {
            $this->addFlash('bad', 'Give the vehicle a name of letters and digits.');

            return $this->redirectToRoute('vehicles', [], Response::HTTP_SEE_OTHER);
        }
        if ($garage->has($id)) {
            $this->addFlash('bad', sprintf('“%s” is entered already.', $name));
        } else {
            $garage->keep(['format' => 'nimble-knuckle/vehicle@1', 'id' => $id, 'name' => $name, 'short' => mb_substr($name, 0, 60)]);
        }

        return $this->redirectToRoute('edit_vehicle', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    /** Reads a shorthand line back while it is typed. */
    #[Route('/shorthand', name: 'shorthand', methods: ['GET'])]
    public function shorthand(Request $request): Response
    {
        return $this->render('garage/_shorthand.html.twig', ['read' => Shorthand::read($request->query->getString('line'))]);
    }
}
