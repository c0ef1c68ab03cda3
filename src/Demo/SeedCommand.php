<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('app:seed', 'Make a history of signed-off fits to measure on; loads the demo workshop first if it is missing.')]
final class SeedCommand extends Command
{
    public function __construct(private readonly DemoLoader $loader, private readonly History $history)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption(
            'fits', null, InputOption::VALUE_REQUIRED, 'How many', '500',
        )->addOption('days', null, InputOption::VALUE_REQUIRED, 'Over how many days', '730');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $fits = filter_var($input->getOption('fits'), \FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => 20000]]);
        $days = filter_var($input->getOption('days'), \FILTER_VALIDATE_INT, ['options' => ['min_range' => 8, 'max_range' => 20000]]);
        if (false === $fits || false === $days) {
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
        $this->history->make($fits, $days, 'Joss Wending', 'Ines Tarrow');
        $output->writeln(sprintf('%d fits made.', $fits));

        return 0;
    }
}
