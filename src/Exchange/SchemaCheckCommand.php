<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sheet\Mishap\MishapList;
use NimbleKnuckle\Core\Vehicle\VehicleOne;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

#[AsCommand('schema:check', 'Hold every shipped procedure, table of causes and demo file against its schema, and read it.')]
final class SchemaCheckCommand
{
    public function __construct(
        private readonly SchemaBook $schemas,
        private readonly ProcedureShelf $shelf,
        #[Autowire(param: 'app.procedures_dir')] private readonly string $proceduresDir,
        #[Autowire(param: 'app.mishaps_file')] private readonly string $mishapsFile,
        #[Autowire(param: 'app.demo_dir')] private readonly string $demoDir,
        #[Autowire('%kernel.project_dir%/starters')] private readonly string $startersDir,
        #[Autowire('%kernel.project_dir%/causes')] private readonly string $causesDir,
    ) {
    }

    public function __invoke(OutputInterface $output): int
    {
        $wrong = 0;
        $files = [
            ...glob($this->proceduresDir.'/*.yaml') ?: [], $this->mishapsFile, ...glob($this->demoDir.'/*.yaml') ?: [],
            ...glob($this->demoDir.'/vehicles/*.yaml') ?: [],
            ...glob($this->startersDir.'/*.yaml') ?: [], ...glob($this->causesDir.'/*.yaml') ?: [],
        ];
        foreach ($files as $file) {
            try {
                $document = Node::of(Yaml::parseFile($file));
                $format = $document->string('format');
                $this->schemas->ensureValid($document->raw(), str_replace(['nimble-knuckle/', '@'], ['', '-'], $format));
                in_array($format, [VehicleSheet::FORMAT, VehicleOne::FORMAT], true) && VehicleSheet::read($document);
                MishapList::FORMAT === $format && MishapList::read($document);
                CauseTable::FORMAT === $format && CauseTable::read($document);
            } catch (InvalidDocument|ParseException $e) {
                ++$wrong;
                $output->writeln(sprintf('<error>%s: %s</error>', basename($file), $e->getMessage()));
            }
        }
        $this->shelf->shipped();
        $output->writeln(sprintf('%d files checked, %d wrong.', count($files), $wrong));

        return 0 === $wrong ? 0 : 1;
    }
}
