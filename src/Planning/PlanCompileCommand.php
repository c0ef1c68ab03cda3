<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Sheet;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

#[AsCommand('plan:compile', 'Compile a fit sheet for a vehicle: plan:compile VEHICLE PROCEDURE… --choose=fill=burp')]
final class PlanCompileCommand
{
    public function __construct(private readonly Garage $garage, private readonly FitPlanner $planner)
    {
    }

    private static function printSheet(OutputInterface $output, Sheet $sheet): void
    {
        foreach (Phase::cases() as $phase) {
            $output->writeln(sprintf('%d. %s', $phase->number(), $phase->label()));
            foreach ($sheet->inPhase($phase) as $step) {
                $output->writeln(
                    sprintf(
                        '   %3d  %-8s %4.0f min  %s', $sheet->placeOf($step->id) + 1, $step->slot->position->value,
                        $step->slot->minutes->likely, $step->words->title,
                    ),
                    OutputInterface::OUTPUT_RAW,
                );
            }
        }
        $output->writeln(
            sprintf(
                'Likely %.0f min (%.0f to %.0f), %d moves.', $sheet->timing->likely, $sheet->timing->low, $sheet->timing->high,
                $sheet->moves,
            ),
        );
    }

    /**
     * @param list<string> $procedures
     * @param list<string> $choose
     */
    public function __invoke(
        OutputInterface $output, #[Argument('Its id')] string $vehicle, #[Argument('Their ids')] array $procedures,
        #[Option('question=answer')] array $choose = [], #[Option('One or two pairs of hands')] string $people = '1',
        #[Option('The sheet as nimble-knuckle/sheet@1')] bool $json = false,
    ): int {
        try {
            $sheet = $this->planner->compile(
                $this->garage->get($vehicle), $procedures, self::choices($choose), '2' === $people ? 2 : 1,
            );
        } catch (UnplannableFit|NotFoundHttpException $e) {
            $output->writeln(sprintf('<error>%s</error>', $e->getMessage()));

            return 2;
        }
        if ($json) {
            $output->writeln(
                json_encode(
                    $sheet->toArray(),
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRETTY_PRINT,
                ),
                OutputInterface::OUTPUT_RAW,
            );

            return 0;
        }
        self::printSheet($output, $sheet);
        self::print($output, ...$sheet->findings);

        return 0;
    }

    public static function print(OutputInterface $output, Finding ...$findings): void
    {
        foreach ($findings as $finding) {
            $output->writeln(
                sprintf('%-5s %s @%s: %s %s', $finding->level->value, $finding->code, $finding->step, $finding->why, $finding->mend),
                OutputInterface::OUTPUT_RAW,
            );
        }
        $output->writeln([] === $findings ? 'No rule broke.' : sprintf('%d findings; plan:explain CODE tells more.', count($findings)));
    }

    /**
     * @param list<string> $pairs
     *
     * @return array<string, string>
     */
    private static function choices(array $pairs): array
    {
        $choices = [];
        foreach ($pairs as $pair) {
            [$group, $option] = [...explode('=', $pair, 2), ''];
            $choices[$group] = $option;
        }

        return $choices;
    }
}
