<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Bench\View\BenchView;
use NimbleKnuckle\Core\Sheet\Step;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Twig\Environment;

/** The bench in regions, each with a hash, so that only what changed travels to a tablet that has the rest. */
final readonly class BenchRegions
{
    public const NAMES = ['head', 'work', 'drawer', 'thumb', 'dialogs'];

    public function __construct(private Environment $twig, private UrlGeneratorInterface $urls)
    {
    }

    /**
     * @param array<string, mixed> $view
     * @param array<array-key, mixed> $have
     *
     * @return array{array<string, string>, array<string, string>} what changed, and the mark of each region
     */
    private function regions(array $view, array $have): array
    {
        $regions = $hashes = [];
        foreach (self::NAMES as $name) {
            $html = $this->twig->render('bench/_'.$name.'.html.twig', $view);
            $hashes[$name] = hash('xxh32', $html);
            if (($have[$name] ?? null) !== $hashes[$name]) {
                $regions[$name] = $html;
            }
        }

        return [$regions, $hashes];
    }

    /**
     * @param array<array-key, mixed> $have region => hash, as the tablet has it
     *
     * @return array<string, mixed>
     */
    public function answer(BenchView $view, array $have): array
    {
        $answer = [
            'version' => $view->version, 'now' => (float) $view->clock->format('U.u'), 'step' => $view->step->id,
            'title' => self::title($view->step, $view->fit->vehicle->short),
            'url' => $this->urls->generate('bench', ['id' => $view->record->id, 'step' => $view->step->id]),
            'clock' => $view->runsClock(),
        ];
        [$answer['regions'], $answer['hashes']] = $this->regions($view->names(), $have);
        $answer['aheadKey'] = $view->ahead[0]['key'] ?? '';

        return $answer + (($have['ahead'] ?? null) === $answer['aheadKey'] ? [] : ['ahead' => $view->ahead]);
    }

    /**
     * @param list<string> $names
     *
     * @return array<string, string> some of the regions alone
     */
    public function some(BenchView $view, array $names): array
    {
        $all = $view->names();
        $regions = [];
        foreach ($names as $name) {
            $regions[$name] = $this->twig->render('bench/_'.$name.'.html.twig', $all);
        }

        return $regions;
    }

    public static function title(Step $step, string $vehicle): string
    {
        return sprintf('%s, %s, Nimble Knuckle', $step->words->title, $vehicle);
    }
}
