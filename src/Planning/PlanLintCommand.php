<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Lint\Linter;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;

/** Exit 0 without findings, 1 with them, 2 where the file cannot be read. */
#[AsCommand('plan:lint', 'Run the sheet of an exported fit (nimble-knuckle/fit@1) on the model of its vehicle.')]
final class PlanLintCommand
{
    public function __construct(private readonly SchemaBook $schemas, private readonly KitReader $kit)
    {
    }

    public function __invoke(OutputInterface $output, #[Argument('The exported fit')] string $file): int
    {
        $json = is_readable($file) ? (string) file_get_contents($file) : '';
        try {
            $document = json_decode($json, true, 64);
            is_array($document) || throw InvalidDocument::at('', 'there is no JSON in that file.');
            $this->schemas->ensureValid(json_decode($json), 'fit-1');
            $node = Node::of($document);
            $findings = (new Linter())->findings(
                Sheet::read($node->node('sheet')), VehicleSheet::read($node->node('vehicle')), $this->kit->kit(),
            );
        } catch (InvalidDocument $e) {
            $output->writeln(sprintf('<error>%s</error>', $e->getMessage()));

            return 2;
        }
        PlanCompileCommand::print($output, ...$findings);

        return [] === array_filter($findings, static fn ($finding): bool => Level::Ok !== $finding->level) ? 0 : 1;
    }
}
