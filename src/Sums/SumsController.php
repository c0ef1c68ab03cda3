<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRow;
use NimbleKnuckle\App\Fits\FitStatus;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Web\Htmx;
use NimbleKnuckle\Core\Plan\Kit\Wrench;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The sums alone: recomputed while typing, and what was typed stands in the address. */
final class SumsController extends AbstractController
{
    public function __construct(private readonly KitReader $kit)
    {
    }

    #[Route('/sums', name: 'sums', methods: ['GET'])]
    public function list(SumBook $sums): Response
    {
        return $this->render('sums/list.html.twig', ['sums' => $sums->all(), 'groups' => SumGroups::of($sums)]);
    }

    #[Route('/sums/{name}', name: 'sum', requirements: ['name' => '[a-z-]{1,40}'], methods: ['GET'])]
    public function __invoke(string $name, Request $request, SumBook $sums, FitBook $fits): Response
    {
        try {
            $sum = $sums->named($name);
        } catch (InvalidInput $e) {
            throw $this->createNotFoundException($e->getMessage(), $e);
        }
        $fields = array_map(static fn ($field): string => $field->name, $sum->fields());
        $typed = array_intersect_key($request->query->all(), array_flip($fields));
        $raw = [] === $typed ? $this->example($sum) : array_filter($typed, is_string(...));
        $view = [
            'sum' => $sum, 'raw' => $raw, 'result' => null, 'drawing' => null, 'headline' => null,
            'query' => http_build_query($raw),
            'fits' => array_values(array_filter($fits->open(), static fn (FitRow $row): bool => FitStatus::InHand === $row->status)),
            'error' => null,
        ];
        try {
            $view['result'] = $sums->run($name, $raw);
            $view['headline'] = $sum->headline($view['result']);
            $view['drawing'] = $sum->drawing(Inputs::of($raw, $sum->fields()), $view['result']);
        } catch (InvalidInput $e) {
            $view['error'] = $e;
        }

        return Htmx::wantsFragment($request)
            ? $this->renderBlock('sums/page.html.twig', 'answer', $view)
            : $this->render('sums/page.html.twig', $view);
    }

    /** @return array<string, string> for the wrenches, the workshop's own kit */
    private function example(Sum $sum): array
    {
        if ('wrench-pick' !== $sum->name()) {
            return $sum->example();
        }
        $lines = array_map(
            static fn (Wrench $w): string => sprintf(
                '%s, %s, %s, %s, %s', $w->name, $w->min, $w->max, $w->error, $w->isPastCalibration() ? 'false' : 'true',
            ),
            $this->kit->kit()->wrenches,
        );

        return ['targets' => '9 N·m; 22 N·m; 85 N·m', 'kit' => implode(";\n", $lines)];
    }
}
