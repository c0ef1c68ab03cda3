<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Architecture;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Lines are read on a screen beside a vehicle: 140 characters. What is longer still may only become less. */
#[CoversNothing]
final class LinesTest extends TestCase
{
    private const LONGEST = 140;

    #[DataProvider('kinds')]
    public function testLongLinesBecomeFewer(string $kind, int $most, string ...$folders): void
    {
        $long = [];
        foreach ($folders as $folder) {
            $files = new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator(dirname(__DIR__, 2).'/'.$folder, \FilesystemIterator::SKIP_DOTS),
            );
            foreach ($files as $file) {
                $path = $file instanceof \SplFileInfo ? $file->getPathname() : '';
                foreach (str_ends_with($path, '.'.$kind) ? file($path, \FILE_IGNORE_NEW_LINES) ?: [] : [] as $i => $line) {
                    if (mb_strlen($line) > self::LONGEST) {
                        $long[] = $path.':'.($i + 1);
                    }
                }
            }
        }
        self::assertLessThanOrEqual($most, count($long), implode("\n", $long));
    }

    /** @return iterable<string, array<int, int|string>> */
    public static function kinds(): iterable
    {
        yield 'code' => ['php', 0, 'core', 'src', 'tests'];
        yield 'templates' => ['twig', 0, 'templates'];
        yield 'styles' => ['scss', 0, 'assets/styles'];
    }
}
