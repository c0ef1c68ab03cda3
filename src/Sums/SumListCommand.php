<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\Core\Sum\SumBook;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('sum:list', 'List the sums with their fields.')]
final class SumListCommand
{
    public function __construct(private readonly SumBook $sums)
    {
    }

    public function __invoke(OutputInterface $output, #[Option('As JSON')] bool $json = false): int
    {
        if ($json) {
            $output->writeln(
                json_encode(
                    array_values(array_map(SumApiController::described(...), $this->sums->all())),
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRETTY_PRINT,
                ),
                OutputInterface::OUTPUT_RAW,
            );

            return 0;
        }
        foreach ($this->sums->all() as $sum) {
            $fields = array_map(static fn ($field): string => $field->name.($field->required ? '' : '?'), $sum->about()->fields());
            $output->writeln(
                sprintf("%-16s %s\n%-16s %s", $sum->about()->name, $sum->about()->summary, '', implode(', ', $fields)),
                OutputInterface::OUTPUT_RAW,
            );
        }

        return 0;
    }
}
