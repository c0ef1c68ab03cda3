<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\App\Web\Htmx;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The sums alone: recomputed while typing, and what was typed stands in the address. */
final class SumsController extends AbstractController
{
    /** What stands in the fields when nothing was typed: an example that shows something. */
    private const EXAMPLES = [
        'torque-check' => ['stated' => '29 ft-lb / 21 Nm', 'thread' => 'M8', 'grade' => '8.8', 'friction' => 'oiled'],
        'wrench-set' => ['target' => '9 N·m', 'lever' => '220 mm', 'adapter' => '32 mm', 'adapter_angle' => '0'],
        'coolant-mix' => ['capacity' => '6.6 L', 'drained' => '4.1 L', 'present' => '32 %', 'target' => '50 %', 'product' => '100 %'],
    ];

    #[Route('/sums', name: 'sums', methods: ['GET'])]
    public function list(SumBook $sums): Response
    {
        return $this->render('sums/list.html.twig', ['sums' => $sums->all(), 'examples' => self::EXAMPLES]);
    }

    #[Route('/sums/{name}', name: 'sum', requirements: ['name' => '[a-z-]{1,40}'], methods: ['GET'])]
    public function __invoke(string $name, Request $request, SumBook $sums, SumFigure $figure): Response
    {
        try {
            $sum = $sums->named($name);
        } catch (InvalidInput $e) {
            throw $this->createNotFoundException($e->getMessage(), $e);
        }
        $fields = array_map(static fn ($field): string => $field->name, $sum->fields());
        $typed = array_intersect_key($request->query->all(), array_flip($fields));
        $raw = [] === $typed ? self::EXAMPLES[$name] ?? [] : array_filter($typed, is_string(...));
        $view = ['sum' => $sum, 'raw' => $raw, 'result' => null, 'figure' => null, 'error' => null];
        try {
            $view['result'] = $sums->run($name, $raw);
            $view['figure'] = $figure->of($sum, $raw, $view['result']);
        } catch (InvalidInput $e) {
            $view['error'] = $e;
        }

        return Htmx::wantsFragment($request) ? $this->renderBlock('sums/page.html.twig', 'answer', $view) : $this->render('sums/page.html.twig', $view);
    }
}
