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
        'Quantity', 'Formula', 'Document', 'Drawing', 'Sum', 'Bolting', 'Tightening', 'Trace', 'Fluids', 'Sealing', 'BeltDrive', 'PressFit',
        'ChainDrive', 'ChargeAir', 'Gate', 'Clutch', 'Spark', 'Starting', 'Photo', 'Times', 'Due', 'Causes',
        'Lifting', 'Curve', 'Safety', 'Plan', 'Vehicle', 'Procedure', 'Sheet', 'Kit', 'State', 'Law', 'Lint', 'Compiler', 'Bench', 'Cost',
    ];

    private const ANSWERS = '~^use NimbleKnuckle\\\\Core\\\\Sum\\\\(Check|SumResult|Working|Inputs);~m';

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

    /** What is worked out never leads through a door: only doors of the same room know one another. */
    public function testNobodyUsesADoorButDoorsOfItsRoom(): void
    {
        $through = [];
        foreach (self::files('core') as $file => $code) {
            preg_match_all('~^use NimbleKnuckle\\\\Core\\\\(\w+)\\\\Door\\\\~m', $code, $doors);
            $mine = str_contains($file, '/Door/') ? explode('/', $file)[1] : '';
            $through = [...$through, ...array_map(static fn (string $other): string => $file.' uses a door of '.$other, array_diff(
                $doors[1], [$mine],
            ))];
        }
        self::assertSame([], $through);
    }

    /** A calculation says nothing: what a person reads is written at its door. */
    public function testNoCalculationHoldsAnAnswerOrAWorking(): void
    {
        foreach (self::files('core') as $file => $code) {
            if (!str_contains($file, '/Door/') && !str_starts_with($file, 'core/Sum/') && !str_ends_with($file, 'Fields.php')) {
                self::assertDoesNotMatchRegularExpression(self::ANSWERS, $code, $file);
            }
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

    /** Two rooms may lean on each other; three never stand in a ring. */
    public function testTheApplicationHasNoCircleOfMoreThanTwo(): void
    {
        $uses = [];
        foreach (self::files('src') as $file => $code) {
            $room = explode('/', $file)[1];
            preg_match_all('~\bNimbleKnuckle\\\\App\\\\(\w+)\\\\~', $code, $found);
            foreach (array_diff($found[1], [$room]) as $other) {
                $uses[$room][$other] = true;
            }
        }
        self::assertGreaterThan(10, count($uses));
        $rings = [];
        foreach (array_keys($uses) as $room) {
            $rings = [...$rings, ...self::rings($uses, [$room])];
        }
        self::assertSame([], $rings);
    }

    /**
     * @param array<string, array<string, true>> $uses
     * @param non-empty-list<string> $way
     *
     * @return list<string> the ways that come back to where they began, over more than two rooms
     */
    private static function rings(array $uses, array $way): array
    {
        $rings = [];
        foreach (array_keys($uses[$way[count($way) - 1]] ?? []) as $next) {
            if ($next === $way[0] && count($way) > 2) {
                $rings[] = implode(' → ', [...$way, $next]);
            } elseif ($next > $way[0] && !in_array($next, $way, true)) {
                $rings = [...$rings, ...self::rings($uses, [...$way, $next])];
            }
        }

        return $rings;
    }

    /** @return list<array{string, string, string, string}> file, its room, the other room, what is imported from it */
    private static function imports(string $folder, string $namespace): array
    {
        $imports = [];
        foreach (self::files($folder) as $file => $code) {
            $room = explode('/', $file)[1];
            preg_match_all('~^use ('.preg_quote($namespace, '~').'\\\\(\w+)\\\\[\w\\\\]+);~m', $code, $found, \PREG_SET_ORDER);
            foreach ($found as [, $import, $other]) {
                if ($other !== $room) {
                    $imports[] = [$file, $room, $other, $import];
                }
            }
        }
        self::assertNotSame([], $imports);

        return $imports;
    }

    /** @return iterable<string, string> path from the root => what stands in it */
    private static function files(string $folder): iterable
    {
        $all = new \RecursiveDirectoryIterator(self::root().'/'.$folder, \FilesystemIterator::SKIP_DOTS);
        foreach (new \RecursiveIteratorIterator($all) as $file) {
            $path = $file instanceof \SplFileInfo ? $file->getPathname() : '';
            yield substr($path, strlen(self::root()) + 1) => (string) file_get_contents($path);
        }
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }
}
