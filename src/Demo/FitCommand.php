<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\Core\Bench\Event\Authority;
use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;

/** A fit of the demo workshop, worked honestly up to a step: to try from there what comes next. */
#[AsCommand('demo:fit', 'Plans a fit in the demo workshop and works it up to a step; prints its id.')]
final readonly class FitCommand
{
    private const BEGAN = '-3 hours';

    public function __construct(
        private DemoLoader $demo,
        private Garage $garage,
        private FitPlanner $planner,
        private Recorder $recorder,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('the vehicle, by its id')] string $vehicle,
        #[Argument('the procedure, by its id')] string $procedure,
        #[Option('the step that is left open; without it all are done')] string $until = '',
        #[Option('who works')] string $by = 'Joss Wending',
        #[Option('choices, as fill=vacuum,shield=before-start')] string $with = '',
    ): int {
        try {
            $this->demo->ensureNobodyReal();
            $output->writeln($this->worked($vehicle, $procedure, $until, $by, $with));

            return 0;
        } catch (\DomainException|\RuntimeException $e) {
            $output->writeln(sprintf('<error>%s</error>', $e->getMessage()));

            return 2;
        }
    }

    private function worked(string $vehicle, string $procedure, string $until, string $by, string $with): string
    {
        $choices = [];
        foreach (array_filter(explode(',', $with)) as $choice) {
            [$id, $option] = [...explode('=', $choice, 2), ''];
            $choices[$id] = $option;
        }
        $start = $this->clock->now()->modify(self::BEGAN);
        $fit = $this->planner->plan($this->garage->get($vehicle), [$procedure], $choices, $by, $start);
        $player = (new FitPlayer($fit->sheet(), $fit->vehicleSheet(), $by, $start, 0.9))->untilStep($until);
        $this->recorder->record($fit, $player->events(), Authority::Mechanic);

        return $fit->id;
    }
}
