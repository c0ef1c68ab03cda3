<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('demo:load', 'Load the demo workshop into an empty database; does nothing when it is there.')]
final class DemoLoadCommand
{
    public function __construct(private readonly DemoLoader $loader)
    {
    }

    public function __invoke(OutputInterface $output, #[Option('Leave out the two years of past fits')] bool $noHistory = false): int
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
        $this->loader->load(!$noHistory);
        $output->writeln('The demo workshop is loaded.');

        return 0;
    }
}
