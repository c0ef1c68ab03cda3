<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('app:seed', 'Make a history of signed-off fits to measure on; loads the demo workshop first if it is missing.')]
final class SeedCommand
{
    public function __construct(private readonly DemoLoader $loader, private readonly History $history)
    {
    }

    public function __invoke(
        OutputInterface $output, #[Option('How many')] string $fits = '500', #[Option('Over how many days')] string $days = '730',
    ): int {
        $many = filter_var($fits, \FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => 20000]]);
        $over = filter_var($days, \FILTER_VALIDATE_INT, ['options' => ['min_range' => 8, 'max_range' => 20000]]);
        if (false === $many || false === $over) {
            $output->writeln('<error>--fits is 1 to 20000, --days is 8 to 20000.</error>');

            return 2;
        }
        try {
            $this->loader->ensureNobodyReal();
        } catch (\DomainException $e) {
            $output->writeln(sprintf('<error>%s</error>', $e->getMessage()));

            return 2;
        }
        if (!$this->loader->isLoaded()) {
            $this->loader->load(false);
        }
        $this->history->make($many, $over, 'Joss Wending', 'Ines Tarrow');
        $output->writeln(sprintf('%d fits made.', $many));

        return 0;
    }
}
