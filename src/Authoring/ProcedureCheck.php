<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Authoring;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\RoleBook;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sum\Level;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/** Looks a procedure's text over: what is wrong and on which line, and how it comes out on the vehicles that can carry it. */
final readonly class ProcedureCheck
{
    /** So many vehicles are tried. */
    private const TRIED = 4;

    public function __construct(
        private SchemaBook $schemas, private ProcedureShelf $shelf, private Garage $garage, private KitReader $kit,
    ) {
    }

    public function of(string $yaml): Checked
    {
        try {
            $parsed = Yaml::parse($yaml);
        } catch (ParseException $e) {
            return new Checked(null, [new TextFault(max(0, $e->getParsedLine()), 'Not YAML: '.$e->getMessage())], []);
        }
        if (!is_array($parsed)) {
            return new Checked(null, [new TextFault(1, 'There is no procedure in it. Copy one to begin from.')], []);
        }
        $faults = array_map(
            static fn (InvalidDocument $e): TextFault => new TextFault(YamlLine::of($yaml, $e->path), $e->getMessage()),
            $this->schemas->faults($parsed, 'procedure-1'),
        );
        try {
            $procedure = [] === $faults ? Procedure::read(Node::of($parsed), $this->shelf->common()) : null;
        } catch (InvalidDocument $e) {
            return new Checked(null, [new TextFault(YamlLine::of($yaml, $e->path), $e->getMessage())], []);
        }

        return new Checked($procedure, $faults, null === $procedure ? [] : $this->tried($procedure));
    }

    /** @return array<string, list<string>> vehicle => what the linter says of the sheet that comes out */
    private function tried(Procedure $procedure): array
    {
        $tried = [];
        foreach ($this->garage->all() as $vehicle) {
            if (count($tried) >= self::TRIED || $vehicle->archived || [] !== RoleBook::missing($procedure, $vehicle->sheet())) {
                continue;
            }
            try {
                $sheet = (new Compiler($this->shelf->common()))->compile(
                    [$procedure], $procedure->defaults(), $vehicle->sheet(), $this->kit->kit(),
                );
                $tried[$vehicle->name] = array_values(array_map(
                    static fn (Finding $f): string => sprintf('%s: %s %s', $f->level->value, $f->why, $f->mend),
                    array_filter($sheet->findings, static fn (Finding $f): bool => Level::Ok !== $f->level),
                ));
            } catch (CoreException $e) {
                $tried[$vehicle->name] = ['It cannot be planned: '.$e->getMessage()];
            }
        }

        return $tried;
    }
}
