<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Architecture;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\TestCase;

/** Rooms depend downwards only: read off the imports, file by file. */
#[CoversNothing]
final class RoomsTest extends TestCase
{
    /** A room may use those that stand before it. */
    private const ORDER = [
        'Quantity', 'Document', 'Drawing', 'Sum', 'Bolting', 'Tightening', 'Trace', 'Fluids', 'Sealing', 'Plan', 'Bench',
    ];

    public function testEveryRoomOfTheCoreHasItsPlace(): void
    {
        $rooms = array_map(basename(...), glob(self::root().'/core/*', \GLOB_ONLYDIR) ?: []);
        self::assertEqualsCanonicalizing(self::ORDER, $rooms);
    }

    public function testNoRoomOfTheCoreUsesOneAboveIt(): void
    {
        foreach (self::imports('core', 'NimbleKnuckle\Core') as [$file, $room, $other]) {
            self::assertLessThan(
                array_search($room, self::ORDER, true), array_search($other, self::ORDER, true),
                sprintf('%s uses %s', $file, $other),
            );
        }
    }

    /** What is worked out never leads through a door: a room uses the doors of another one never. */
    public function testNobodyBelowThePlanUsesADoorOfAnotherRoom(): void
    {
        foreach (self::imports('core', 'NimbleKnuckle\Core') as [$file, $room, , $import]) {
            in_array($room, ['Plan', 'Bench'], true) || self::assertStringNotContainsString('\Door\\', $import, $file);
        }
    }

    public function testTheCoreHasNoCircle(): void
    {
        $uses = [];
        foreach (self::imports('core', 'NimbleKnuckle\Core') as [, $room, $other]) {
            $uses[$room][$other] = true;
        }
        $done = [];
        do {
            $free = array_filter(
                self::ORDER,
                static fn (string $room): bool => !isset($done[$room]) && [] === array_diff_key($uses[$room] ?? [], $done),
            );
            $done += array_fill_keys($free, true);
        } while ([] !== $free);
        self::assertSame([], array_values(array_diff(self::ORDER, array_keys($done))), 'these use each other in a circle');
    }

    /** @return list<array{string, string, string, string}> file, its room, the other room, what is imported from it */
    private static function imports(string $folder, string $namespace): array
    {
        $imports = [];
        $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::root().'/'.$folder, \FilesystemIterator::SKIP_DOTS));
        foreach ($files as $file) {
            $path = $file instanceof \SplFileInfo ? $file->getPathname() : '';
            $room = explode('/', substr($path, strlen(self::root().'/'.$folder) + 1))[0];
            preg_match_all(
                '~^use ('.preg_quote($namespace, '~').'\\\\(\w+)\\\\[\w\\\\]+);~m', (string) file_get_contents($path), $found,
                \PREG_SET_ORDER,
            );
            foreach ($found as [, $import, $other]) {
                if ($other !== $room) {
                    $imports[] = [substr($path, strlen(self::root()) + 1), $room, $other, $import];
                }
            }
        }
        self::assertNotSame([], $imports);

        return $imports;
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }
}
