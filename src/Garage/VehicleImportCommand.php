<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\VehicleOne;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

#[AsCommand('vehicle:import', 'Enter a vehicle sheet (YAML or JSON, nimble-knuckle/vehicle@2 or @1), or replace the one with its id.')]
final class VehicleImportCommand
{
    public function __construct(private readonly Garage $garage, private readonly SchemaBook $schemas)
    {
    }

    public function __invoke(OutputInterface $output, #[Argument('The vehicle sheet')] string $file): int
    {
        if (!is_readable($file)) {
            $output->writeln('<error>There is no such file, or it cannot be read.</error>');

            return 2;
        }
        try {
            $document = Node::of(Yaml::parseFile($file))->raw();
            $isOne = VehicleOne::FORMAT === ($document['format'] ?? '');
            $this->schemas->ensureValid($document, $isOne ? 'vehicle-1' : 'vehicle-2');
            $output->writeln(sprintf('%s is entered.', $this->garage->keep($document)->name));
        } catch (InvalidDocument|ParseException $e) {
            $output->writeln(sprintf('<error>%s</error>', $e->getMessage()));

            return 2;
        }

        return 0;
    }
}
