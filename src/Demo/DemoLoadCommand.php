<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('demo:load', 'Load the demo workshop into an empty database; does nothing when it is there.')]
final class DemoLoadCommand extends Command
{
    public function __construct(private readonly DemoLoader $loader)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('no-history', null, InputOption::VALUE_NONE, 'Leave out the two years of past fits');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $this->loader->ensureNobodyReal();
        } catch (\DomainException $e) {
            $output->writeln(sprintf('<error>%s</error>', $e->getMessage()));

            return 2;
        }
        if ($this->loader->isLoaded()) {
            $output->writeln('The demo workshop is loaded already.');

            return 0;
        }
        $this->loader->load(true !== $input->getOption('no-history'));
        $output->writeln('The demo workshop is loaded.');

        return 0;
    }
}
