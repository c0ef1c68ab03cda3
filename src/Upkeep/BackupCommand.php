<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('app:backup', 'Copy the database and the pictures that are new into a folder while work goes on, and check the copy.')]
final class BackupCommand
{
    public function __construct(private readonly Database $database)
    {
    }

    public function __invoke(OutputInterface $output, #[Argument('Where to')] string $folder = 'var/backup'): int
    {
        try {
            $output->writeln($this->database->backUpTo($folder));
        } catch (\RuntimeException $e) {
            $output->writeln(sprintf('<error>%s</error>', $e->getMessage()));

            return 1;
        }

        return 0;
    }
}
