<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitStatus;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\Plan\Kit\WrenchRound;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
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
        private readonly FitBook $fits,
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
        $form = array_filter($request->request->all(), is_string(...));
        try {
            $tool = $this->editor->keep($this->book->tool($form['id'] ?? ''), array_diff_key($form, ['id' => 1, '_csrf' => 1]));
            $this->addFlash('good', sprintf('%s is in the kit.', $tool->name));
        } catch (ChangedMeanwhile $e) {
            return $this->page($request, ['seen' => $e->seen] + $form, null, $e);
        } catch (InvalidInput $e) {
            return $this->page($request, $form, $e);
        }

        return $this->redirectToRoute('kit', [], Response::HTTP_SEE_OTHER);
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

    /** @param array<string, string> $form what was typed and could not be kept */
    private function page(Request $request, array $form = [], ?InvalidInput $error = null, ?ChangedMeanwhile $meanwhile = null): Response
    {
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
            'edited' => $this->book->tool($request->query->getString('tool')),
            'form' => $form,
            'error' => $error,
            'meanwhile' => $meanwhile,
            'seen' => $form['seen'] ?? KitEditor::seen($this->book->tool($request->query->getString('tool'))),
            'devices' => $this->devices->all(),
            'deviceKinds' => DeviceKind::cases(),
            'open' => $open,
            'fit' => $fit,
            'round' => null === $fit ? null : WrenchRound::of($fit->sheet(), $fit->vehicleSheet(), $this->reader->kit()),
        ], new Response(status: match (true) {
            null !== $meanwhile => Response::HTTP_CONFLICT,
            null !== $error => Response::HTTP_UNPROCESSABLE_ENTITY,
            default => Response::HTTP_OK,
        }));
    }
}
