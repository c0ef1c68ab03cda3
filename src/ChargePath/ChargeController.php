<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\ChargePath;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\App\Web\Htmx;
use NimbleKnuckle\Core\ChargeAir\Line\ChargeLine;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sum\SumBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The charge path of a vehicle as an editable drawing. Everything is tried before it is kept, and stays where it cannot be. */
final class ChargeController extends AbstractController
{
    private const AT = ['id' => '[a-z0-9-]{1,80}'];

    public function __construct(private readonly Garage $garage, private readonly ChargeShelf $shelf, private readonly SumBook $sums)
    {
    }

    #[Route('/vehicles/{id}/charge', name: 'charge', requirements: self::AT, methods: ['GET'])]
    public function __invoke(string $id): Response
    {
        $vehicle = $this->garage->get($id);
        $document = $this->shelf->document($vehicle);

        return $this->page(
            $vehicle, null === $document ? ChargeForm::blank() : ChargeForm::of($document), ChangedMeanwhile::mark($document),
        );
    }

    #[Route('/vehicles/{id}/charge', name: 'keep_charge', requirements: self::AT, methods: ['POST'])]
    #[IsGranted(May::KeepVehicles->value)]
    public function change(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $vehicle = $this->garage->get($id);
        $in = $request->request;
        $do = $in->getString('do');
        $seen = $in->getString('seen');
        $form = ChargeForm::posted($in);
        $said = $error = '';
        try {
            if ('keep' === $do) {
                $this->shelf->keep($vehicle, $form->document(), $seen, $person->name);
                $this->addFlash('good', 'Kept on the vehicle sheet. Fits in hand keep the sheet they were planned with.');

                return $this->redirectToRoute('charge', ['id' => $id], Response::HTTP_SEE_OTHER);
            }
            if ('delete' === $do) {
                $this->shelf->drop($vehicle, $person->name);
                $this->addFlash('good', 'Deleted. It can be undone under Edit.');

                return $this->redirectToRoute('vehicle', ['id' => $id], Response::HTTP_SEE_OTHER);
            }
            [$form, $said] = 'fit' === $do
                ? [$form->fitted(ChargeView::matched(ChargeLine::read(Node::of($form->document())))), 'Filled in. Nothing is kept yet.']
                : [$form->changed($do), ''];
        } catch (ChangedMeanwhile $e) {
            [$error, $seen] = [$e->getMessage(), $e->seen];
        } catch (CoreException $e) {
            $error = $e->getMessage();
        }

        return $this->page($vehicle, $form, $seen, [$said, $error], Htmx::wantsFragment($request));
    }

    /** @param array{string, string} $told what was done, what is wrong */
    private function page(
        VehicleRecord $vehicle, ChargeForm $form, string $seen, array $told = ['', ''], bool $isFragment = false,
    ): Response {
        $view = null;
        $missing = '';
        try {
            $view = ChargeView::of(ChargeLine::read(Node::of($form->document())), $vehicle->sheet()->joints, $this->sums);
        } catch (CoreException $e) {
            // It is not whole yet: what is missing is said in the place of the figures.
            $missing = $e->getMessage();
        }
        [$said, $error] = $told;
        $given = [
            'vehicle' => $vehicle, 'form' => $form, 'view' => $view, 'missing' => $missing, 'said' => $said, 'error' => $error,
            'seen' => $seen, 'joints' => $vehicle->sheet()->joints, 'items' => $vehicle->sheet()->items,
        ];
        if ($isFragment) {
            return $this->renderBlock('charge/page.html.twig', 'drawn', $given);
        }

        return $this->render('charge/page.html.twig', $given, new Response(
            status: '' === $error ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
        ));
    }
}
