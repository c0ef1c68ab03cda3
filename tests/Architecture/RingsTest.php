<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Architecture;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Folders use each other in one direction, at every depth; of files no more than three go round. */
#[CoversNothing]
final class RingsTest extends TestCase
{
    private const MOST = 3;

    #[TestWith(['core', 'NimbleKnuckle\Core\\'])]
    #[TestWith(['src', 'NimbleKnuckle\App\\'])]
    public function testNoFolderComesRoundToItself(string $root, string $namespace): void
    {
        $uses = Uses::below($root, $namespace);
        self::assertGreaterThan(100, count($uses->files));
        self::assertSame([], Uses::rings($uses->folders()), $root);
    }

    #[TestWith(['core', 'NimbleKnuckle\Core\\'])]
    #[TestWith(['src', 'NimbleKnuckle\App\\'])]
    public function testOfFilesNoMoreThanThreeGoRound(string $root, string $namespace): void
    {
        $rings = Uses::rings(Uses::below($root, $namespace)->files);
        self::assertSame([], array_filter($rings, static fn (array $ring): bool => count($ring) > self::MOST), $root);
    }

    public function testARingIsFoundWhereThereIsOne(): void
    {
        $on = static fn (string ...$those): array => array_fill_keys(array_values($those), true);
        self::assertSame([['a', 'b', 'c']], Uses::rings(['a' => $on('b'), 'b' => $on('c', 'd'), 'c' => $on('a'), 'd' => []]));
        self::assertSame([], Uses::rings(['a' => $on('b', 'c'), 'b' => $on('c'), 'c' => []]));
    }

    /** Each way one file names another is seen. */
    public function testEveryWayOfNamingIsSeen(): void
    {
        $files = Uses::below('core', 'NimbleKnuckle\Core\\')->files;
        self::assertArrayHasKey('Law/Before/SafeToRun', $files['Law/Book/Rules'], 'by a relative name');
        self::assertArrayHasKey('Bench/State/FitState', $files['Bench/Fit'], 'by an import');
        self::assertArrayHasKey('Bench/State/FitState', $files['Bench/State/Joints'], 'by a bare name beside it');
    }
}
