<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Procedures;

use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Procedure;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/** The way in and out for procedures: lint and import read a file, export prints one by its id. */
#[AsCommand('procedure', 'procedure lint FILE, procedure import FILE, procedure export ID, procedure list')]
final class ProcedureCommand
{
    public function __construct(private readonly ProcedureShelf $shelf, private readonly SchemaBook $schemas)
    {
    }

    public function __invoke(
        OutputInterface $output, #[Argument('lint, import, export or list')] string $what,
        #[Argument('A file, or an id')] string $which = '',
    ): int {
        return match ($what) {
            'lint' => $this->read($which, $output, false),
            'import' => $this->read($which, $output, true),
            'export' => $this->export($which, $output),
            'list' => $this->list($output),
            default => $this->refuse($output, 'Say lint FILE, import FILE, export ID or list.'),
        };
    }

    private function read(string $file, OutputInterface $output, bool $keep): int
    {
        if (!is_file($file) || !is_readable($file)) {
            return $this->refuse($output, 'There is no such file, or it cannot be read.');
        }
        $yaml = (string) file_get_contents($file);
        try {
            $document = Node::of(Yaml::parse($yaml));
            $this->schemas->ensureValid($document->raw(), 'procedure-1');
            $procedure = Procedure::read($document, $this->shelf->common());
        } catch (InvalidDocument|ParseException $e) {
            return $this->refuse($output, $e->getMessage());
        }
        $output->writeln(
            sprintf(
                '%s: %d operations, %d questions and ways.', $procedure->title, count($procedure->operations),
                count($procedure->groups),
            ),
        );
        try {
            $keep && $output->writeln(sprintf(
                'Kept as version %d of the workshop’s own.', $this->shelf->keepOwn($procedure->id, $yaml, 'the console')->version,
            ));
        } catch (InvalidDocument $e) {
            return $this->refuse($output, $e->getMessage());
        }

        return 0;
    }

    private function export(string $id, OutputInterface $output): int
    {
        $text = $this->shelf->text($id);
        if (null === $text) {
            return $this->refuse($output, 'There is no such procedure; “procedure list” names them.');
        }
        $output->write($text, false, OutputInterface::OUTPUT_RAW);

        return 0;
    }

    private function list(OutputInterface $output): int
    {
        foreach ($this->shelf->all() as $procedure) {
            $output->writeln(sprintf('%-20s %s', $procedure->id, $procedure->title), OutputInterface::OUTPUT_RAW);
        }
        foreach ($this->shelf->damaged() as $id => $why) {
            $output->writeln(sprintf('%-20s damaged: %s', $id, $why), OutputInterface::OUTPUT_RAW);
        }

        return 0;
    }

    private function refuse(OutputInterface $output, string $sentence): int
    {
        $output->writeln(sprintf('<error>%s</error>', $sentence));

        return 2;
    }
}
