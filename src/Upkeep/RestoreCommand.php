<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use Symfony\Component\Console\Application;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Output\NullOutput;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('app:restore', 'Put a copy made by app:backup back; stop the application first. What was there is kept beside it.')]
final class RestoreCommand
{
    public function __construct(private readonly Database $database)
    {
    }

    public function __invoke(OutputInterface $output, Application $application, #[Argument('The copy')] string $file): int
    {
        try {
            $former = $this->database->restoreFrom($file);
        } catch (\RuntimeException $e) {
            $output->writeln(sprintf('<error>%s</error>', $e->getMessage()));

            return 1;
        }
        $application->find('doctrine:migrations:migrate')->run(self::quietly(), new NullOutput());
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
