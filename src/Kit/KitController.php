<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitStatus;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\Kit\WrenchRound;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The workshop's tools and devices, and which wrench for the passes of a whole fit. */
final class KitController extends AbstractController
{
    public function __construct(
        private readonly KitBook $book, private readonly KitReader $reader,
        private readonly KitEditor $editor, private readonly DeviceBook $devices,
        private readonly FitBook $fits, private readonly FormFactoryInterface $forms,
    ) {
    }

    #[Route('/kit', name: 'kit', methods: ['GET'])]
    public function __invoke(Request $request): Response
    {
        return $this->page($request);
    }

    #[Route('/kit/tools', name: 'kit_tool', methods: ['POST'])]
    #[IsGranted(May::KeepKit->value)]
    public function keep(Request $request): Response
    {
        $form = $this->form(null);
        $form->handleRequest($request);
        $typed = $form->getData();
        if (!$form->isSubmitted() || !$form->isValid()) {
            return $this->page($request, $form);
        }
        try {
            $tool = $this->editor->keep($this->book->tool($typed->id ?? ''), $typed->fields());
            $this->addFlash('good', sprintf('%s is in the kit.', $tool->name));
        } catch (ChangedMeanwhile $e) {
            // What was typed is kept, and what it is now has been seen.
            $typed->seen = $e->seen;

            return $this->page($request, $this->form(null)->setData($typed), $e);
        } catch (InvalidInput $e) {
            ($form->has($e->field) ? $form->get($e->field) : $form)->addError(new FormError($e->getMessage()));

            return $this->page($request, $form);
        }

        return $this->redirectToRoute('kit', [], Response::HTTP_SEE_OTHER);
    }

    /** @return FormInterface<Tool> */
    private function form(?ToolRecord $tool): FormInterface
    {
        return $this->forms->createNamed('', ToolForm::class, Tool::of($tool), ['action' => $this->generateUrl('kit_tool')]);
    }

    #[Route(
        '/kit/tools/{id}/{what}', name: 'kit_tool_act', requirements: ['id' => '[0-9A-Z]{26}', 'what' => 'calibrated|remove'],
        methods: ['POST'],
    )]
    #[IsGranted(May::KeepKit->value)]
    public function act(string $id, string $what): Response
    {
        $tool = $this->book->tool($id) ?? throw $this->createNotFoundException('There is no such tool.');
        'remove' === $what ? $this->editor->remove($tool) : $this->editor->calibratedToday($tool);
        $this->addFlash(
            'good',
            'remove' === $what ? sprintf('%s is out of the kit.', $tool->name) : sprintf('%s: calibrated today.', $tool->name),
        );

        return $this->redirectToRoute('kit', [], Response::HTTP_SEE_OTHER);
    }

    #[Route('/kit/devices', name: 'kit_device', methods: ['POST'])]
    #[IsGranted(May::KeepKit->value)]
    public function device(Request $request): Response
    {
        $form = $request->request;
        try {
            $known = $this->devices->get($form->getString('id'));
            if (null !== $known && 'remove' === $form->getString('what')) {
                $this->devices->remove($known);
                $this->addFlash('good', sprintf('%s can send no more. What it sent is kept.', $known->name));
            } else {
                [$device, $token] = null !== $known ? [$known, $this->devices->renewToken($known)] : $this->devices->add(
                    $form->getString('name'),
                    DeviceKind::tryFrom($form->getString('kind')) ?? throw InvalidInput::in('kind', 'Say what it measures.'),
                );
                $this->addFlash('good', sprintf('The token of %s, shown this once: %s', $device->name, $token));
            }
        } catch (InvalidInput $e) {
            $this->addFlash('bad', $e->getMessage());
        }

        return $this->redirectToRoute('kit', ['_fragment' => 'devices'], Response::HTTP_SEE_OTHER);
    }

    /** @param ?FormInterface<Tool> $typed what was typed and could not be kept */
    private function page(Request $request, ?FormInterface $typed = null, ?ChangedMeanwhile $meanwhile = null): Response
    {
        $edited = $this->book->tool(null === $typed ? $request->query->getString('tool') : $typed->getData()->id ?? '');
        $tools = $this->book->all();
        $late = [];
        foreach ($tools as $tool) {
            $late[$tool->id] = $this->book->daysPast($tool->calibratedOn);
        }
        $open = array_values(array_filter($this->fits->open(), static fn ($row): bool => FitStatus::Signed !== $row->status));
        $fitId = $request->query->getString('fit') ?: ($open[0]->id ?? '');
        $fit = '' === $fitId ? null : $this->fits->get($fitId);

        return $this->render('kit/page.html.twig', [
            'wrenches' => array_values(array_filter($tools, static fn (ToolRecord $tool): bool => $tool->isWrench())),
            'others' => array_values(array_filter($tools, static fn (ToolRecord $tool): bool => !$tool->isWrench())),
            'late' => $late,
            'scale' => max([1.0, ...array_map(static fn (ToolRecord $tool): float => $tool->max, $tools)]),
            'usable' => $this->reader->kit()->wrenches,
            'kinds' => KitEditor::KINDS,
            'edited' => $edited,
            'form' => $typed ?? $this->form($edited),
            'meanwhile' => $meanwhile,
            'devices' => $this->devices->all(),
            'deviceKinds' => DeviceKind::cases(),
            'open' => $open,
            'fit' => $fit,
            'round' => null === $fit ? null : WrenchRound::of($fit->sheet(), $fit->vehicleSheet(), $this->reader->kit()),
        ], new Response(status: match (true) {
            null !== $meanwhile => Response::HTTP_CONFLICT,
            null !== $typed => Response::HTTP_UNPROCESSABLE_ENTITY,
            default => Response::HTTP_OK,
        }));
    }
}
