<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\App\Kit\KitBook;
use NimbleKnuckle\App\Planning\FitBook;
use NimbleKnuckle\App\Planning\FitRow;
use NimbleKnuckle\App\Planning\FitStatus;
use NimbleKnuckle\App\Web\Htmx;
use NimbleKnuckle\Core\Plan\Kit\Wrench;
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
        'torque-estimate' => ['thread' => 'M8', 'grade' => '8.8', 'friction' => 'oiled', 'material' => 'aluminium casting', 'engagement' => '16 mm'],
        'angle-tighten' => ['thread' => 'M12x1.25', 'grade' => '10.9', 'snug' => '40 N·m', 'angle' => '75 deg', 'shank' => '30 mm', 'threaded' => '16 mm', 'member' => 'aluminium', 'friction' => 'oiled', 'swing' => '30 deg'],
        'part-turn' => ['target' => '20 N·m', 'thread' => 'M8', 'grade' => '8.8', 'shank' => '10 mm', 'threaded' => '15 mm', 'friction' => 'oiled'],
        'wrench-set' => ['target' => '9 N·m', 'lever' => '220 mm', 'adapter' => '32 mm', 'adapter_angle' => '0'],
        'tighten-order' => ['layout' => 'ring 8', 'passes' => '30; 60; 100', 'target' => '25 N·m'],
        'even-take-up' => ['gap' => '3 mm', 'thread' => 'M8', 'count' => '4', 'step' => 'half turn'],
        'thread-engagement' => ['thread' => 'M8', 'grade' => '8.8', 'material' => 'aluminium casting', 'engagement' => '10 mm'],
        'thread-gauge' => ['diameter' => '7.9 mm', 'pitch' => '1.25 mm'],
        'thread-compound' => ['thread' => 'M8', 'material' => 'aluminium casting', 'turns' => 'true', 'removed' => 'true', 'stated' => '25 N·m', 'ambient' => '15 °C'],
        'bolt-reuse' => ['old' => '118.4 mm', 'new' => '118.0 mm', 'limit' => '118.8 mm', 'grip' => '100 mm'],
        'trace-judge' => ['samples' => '0 0.4; 60 0.4; 120 0.5; 178 0.5; 182 1.0; 186 2.2; 190 3.7; 194 5.2; 198 6.8; 202 8.3; 204 9.1', 'spec' => '9 N·m'],
        'coolant-mix' => ['capacity' => '6.6 L', 'drained' => '4.1 L', 'present' => '32 %', 'target' => '50 %', 'product' => '100 %', 'shelf' => '1 L; 1.5 L; 5 L'],
        'coolant-protect' => ['base' => 'eg', 'percent' => '50 %', 'cap' => '120 kPa', 'altitude' => '300 m', 'coldest' => '-20 °C'],
        'vacuum-fill' => ['altitude' => '300 m', 'temperature' => '20 °C', 'volume' => '6.6 L', 'pulled' => '25 inHg', 'hold_end' => '24.8 inHg', 'hold_minutes' => '5 min'],
        'coolant-level' => ['volume' => '6.6 L', 'percent' => '50 %', 'cold' => '15 °C', 'hot' => '92 °C', 'marks' => '0.5 L', 'topped_up' => '0.15 L'],
        'warm-up' => ['samples' => '0 18; 60 25; 120 33; 180 40; 240 47; 300 54; 360 60; 420 67; 480 73; 540 80; 600 86; 640 90; 660 89; 700 89; 760 90; 820 91; 880 91', 'opens' => '88 °C', 'ambient' => '18 °C'],
        'thermostat-test' => ['opens' => '88 °C', 'opened' => '86 °C', 'full_open' => '98 °C', 'closed' => '82 °C'],
        'oil-fill' => ['capacity' => '4.9 L', 'drained' => '4.5 L', 'filter' => 'changed, 0.3 L', 'dip_mm' => '14 mm', 'litre_per_mm' => '0.06', 'target_mm' => '20 mm'],
        'seal-squeeze' => ['section' => '3.53 mm', 'inner' => '44.0 mm', 'depth' => '2.8 mm', 'width' => '4.7 mm', 'groove_inner' => '45.0 mm', 'use' => 'face'],
        'clamp-size' => ['outside' => '40 mm', 'inside' => '32 mm', 'spigot' => '33 mm', 'behind_bead' => '20 mm', 'kind' => 'worm'],
    ];

    public function __construct(private readonly KitBook $kit)
    {
    }

    #[Route('/sums', name: 'sums', methods: ['GET'])]
    public function list(SumBook $sums): Response
    {
        return $this->render('sums/list.html.twig', ['sums' => $sums->all(), 'groups' => SumGroups::of($sums)]);
    }

    #[Route('/sums/{name}', name: 'sum', requirements: ['name' => '[a-z-]{1,40}'], methods: ['GET'])]
    public function __invoke(string $name, Request $request, SumBook $sums, SumFigure $figure, FitBook $fits): Response
    {
        try {
            $sum = $sums->named($name);
        } catch (InvalidInput $e) {
            throw $this->createNotFoundException($e->getMessage(), $e);
        }
        $fields = array_map(static fn ($field): string => $field->name, $sum->fields());
        $typed = array_intersect_key($request->query->all(), array_flip($fields));
        $raw = [] === $typed ? $this->example($name) : array_filter($typed, is_string(...));
        $view = ['sum' => $sum, 'raw' => $raw, 'result' => null, 'figure' => null, 'headline' => null, 'query' => http_build_query($raw), 'fits' => array_values(array_filter($fits->open(), static fn (FitRow $row): bool => FitStatus::InHand === $row->status)), 'error' => null];
        try {
            $view['result'] = $sums->run($name, $raw);
            $view['headline'] = Headline::of($view['result']);
            $view['figure'] = $figure->of($sum, $raw, $view['result']);
        } catch (InvalidInput $e) {
            $view['error'] = $e;
        }

        return Htmx::wantsFragment($request) ? $this->renderBlock('sums/page.html.twig', 'answer', $view) : $this->render('sums/page.html.twig', $view);
    }

    /** @return array<string, string> for the wrenches, the workshop's own kit */
    private function example(string $name): array
    {
        if ('wrench-pick' !== $name) {
            return self::EXAMPLES[$name] ?? [];
        }
        $lines = array_map(static fn (Wrench $w): string => sprintf('%s, %s, %s, %s, %s', $w->name, $w->min, $w->max, $w->error, $w->isPastCalibration() ? 'false' : 'true'), $this->kit->kit()->wrenches);

        return ['targets' => '9 N·m; 22 N·m; 85 N·m', 'kit' => implode(";\n", $lines)];
    }
}
