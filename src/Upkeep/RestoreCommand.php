<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\NullOutput;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('app:restore', 'Put a copy made by app:backup back; stop the application first. What was there is kept beside it.')]
final class RestoreCommand extends Command
{
    public function __construct(private readonly Database $database)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'The copy');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        try {
            $former = $this->database->restoreFrom(is_string($file) ? $file : '');
        } catch (\RuntimeException $e) {
            $output->writeln(sprintf('<error>%s</error>', $e->getMessage()));

            return 1;
        }
        $this->getApplication()?->find('doctrine:migrations:migrate')->run(self::quietly(), new NullOutput());
        $output->writeln('' === $former ? 'Restored.' : sprintf('Restored. What was there is now %s', $former));

        return 0;
    }

    /** A copy of an older version is brought up to this one. */
    private static function quietly(): ArrayInput
    {
        $input = new ArrayInput(['--no-interaction' => true, '--allow-no-migration' => true]);
        $input->setInteractive(false);

        return $input;
    }
}
