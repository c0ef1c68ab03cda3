<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRow;
use NimbleKnuckle\App\Fits\FitStatus;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Web\Htmx;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Contracts\Cache\CacheInterface;

/** The sums alone: recomputed while typing, and what was typed stands in the address. */
final class SumsController extends AbstractController
{
    private const OF_THE_KIT = 'wrench-pick';
    private const USED = 'sums-used';
    private const MOST_USED = 4;

    public function __construct(private readonly KitReader $kit)
    {
    }

    #[Route('/sums', name: 'sums', methods: ['GET'])]
    public function list(
        Request $request, SumBook $sums, #[Autowire(service: 'cache.procedures')] CacheInterface $cache,
    ): Response {
        // Every picture is its example worked out and drawn; they change with the application and not before.
        $of = fn (Sum $sum): string => $this->picture($sum, $this->example($sum), $sums);
        $fixed = static fn (Sum $sum): bool => self::OF_THE_KIT !== $sum->about()->name;
        $pictures = $cache->get('sums.pictures', static fn (): array => array_map($of, array_filter($sums->all(), $fixed)));
        // That of the wrenches is the workshop's own.
        $pictures[self::OF_THE_KIT] = $of($sums->named(self::OF_THE_KIT));

        $used = array_filter($this->lastUsed($request), static fn (string $name): bool => isset($sums->all()[$name]));

        return $this->render('sums/list.html.twig', [
            'groups' => SumGroups::of($sums), 'pictures' => $pictures, 'used' => array_map($sums->named(...), array_values($used)),
        ]);
    }

    /** @return list<string> names of the sums somebody put figures into of late, the last one first */
    private function lastUsed(Request $request): array
    {
        $used = $request->getSession()->get(self::USED);

        return array_values(array_filter(is_array($used) ? $used : [], is_string(...)));
    }

    private function remember(Request $request, string $name): void
    {
        $used = $this->lastUsed($request);
        if (($used[0] ?? '') !== $name) {
            $used = array_slice([$name, ...array_diff($used, [$name])], 0, self::MOST_USED);
            $request->getSession()->set(self::USED, $used);
        }
    }

    /**
     * What a sum draws, small; empty where it draws nothing.
     *
     * @param array<string, string> $example
     */
    private function picture(Sum $sum, array $example, SumBook $sums): string
    {
        try {
            $result = $sums->run($sum->about()->name, $example);
        } catch (InvalidInput) {
            // A workshop without a wrench yet: there is nothing to draw, and its page says so.
            return '';
        }
        $drawing = $sum->drawing(Inputs::of($example, $sum->about()->fields()), $result);

        return null === $drawing ? '' : $this->renderBlockView(
            'sums/list.html.twig', 'picture', ['drawing' => $drawing, 'result' => $result],
        );
    }

    #[Route('/sums/{name}', name: 'sum', requirements: ['name' => '[a-z-]{1,40}'], methods: ['GET'])]
    public function __invoke(string $name, Request $request, SumBook $sums, FitBook $fits): Response
    {
        try {
            $sum = $sums->named($name);
        } catch (InvalidInput $e) {
            throw $this->createNotFoundException($e->getMessage(), $e);
        }
        $fields = array_map(static fn ($field): string => $field->name, $sum->about()->fields());
        $typed = array_intersect_key($request->query->all(), array_flip($fields));
        $typed = array_filter($typed, static fn (mixed $value): bool => is_string($value) && '' !== $value);
        [] === $typed || $this->remember($request, $name);
        $example = $this->example($sum);
        // An example shows what comes out, and stands in no field: nobody takes it for their own.
        $raw = [] === $typed ? $example : $typed;
        $view = [
            'about' => $sum->about(), 'raw' => $typed, 'example' => $example, 'isExample' => [] === $typed,
            'result' => null, 'drawing' => null, 'headline' => null,
            'query' => http_build_query($typed),
            'fits' => array_values(array_filter($fits->open(), static fn (FitRow $row): bool => FitStatus::InHand === $row->status)),
            'error' => null,
        ];
        try {
            $view['result'] = $sums->run($name, $raw);
            $view['headline'] = $sum->headline($view['result']);
            $view['drawing'] = $sum->drawing(Inputs::of($raw, $sum->about()->fields()), $view['result']);
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
        if (self::OF_THE_KIT !== $sum->about()->name) {
            return $sum->about()->example();
        }
        $lines = array_map(
            static fn (Wrench $w): string => sprintf(
                '%s, %s, %s, %s, %s', $w->name, $w->min, $w->max, $w->error, $w->isPastCalibration() ? 'false' : 'true',
            ),
            $this->kit->kit()->wrenches,
        );

        return ['kit' => implode(";\n", $lines)] + $sum->about()->example();
    }
}
