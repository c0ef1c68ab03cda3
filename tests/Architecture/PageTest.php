<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Architecture;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\TestCase;

/** The page of the architecture names every room there is, and none that is not. */
#[CoversNothing]
final class PageTest extends TestCase
{
    /** Stands in many rooms and is told of once. */
    private const DOOR = 'Door';

    public function testEveryRoomIsNamedAndNoOther(): void
    {
        $page = (string) file_get_contents(self::root().'/docs/architecture.md');
        preg_match_all('~`((?:core|src)/[\w/]+)/`~', $page, $named);
        $named = array_values(array_unique($named[1]));
        $rooms = [...self::rooms('core'), ...self::rooms('src')];
        self::assertSame([], array_values(array_filter($named, static fn (string $one): bool => !is_dir(self::root().'/'.$one))), 'gone');
        $trades = array_filter($rooms, static fn (string $one): bool => 2 === substr_count($one, '/') && self::isOfATrade($one));
        self::assertSame([], array_values(array_diff($rooms, $named, $trades)), 'not named');
    }

    public function testEveryFileItNamesIsThere(): void
    {
        preg_match_all('~`([\w/]+/[\w.-]+\.\w+)`~', (string) file_get_contents(self::root().'/docs/architecture.md'), $named);
        self::assertNotSame([], $named[1]);
        foreach ($named[1] as $file) {
            self::assertFileExists(self::root().'/'.$file);
        }
    }

    /** A calculation may have folders of its own in its trade: the trade is named, not they. */
    private static function isOfATrade(string $room): bool
    {
        return is_dir(self::root().'/'.dirname($room).'/'.self::DOOR) && !str_starts_with($room, 'core/Bench/');
    }

    /** @return list<string> folders with code in them, of whatever depth */
    private static function rooms(string $root): array
    {
        $rooms = [];
        $all = new \RecursiveDirectoryIterator(self::root().'/'.$root, \FilesystemIterator::SKIP_DOTS);
        foreach (new \RecursiveIteratorIterator($all) as $file) {
            $room = $file instanceof \SplFileInfo ? substr($file->getPath(), strlen(self::root()) + 1) : '';
            if ($room !== $root && self::DOOR !== basename($room)) {
                $rooms[$room] = true;
            }
        }

        return array_keys($rooms);
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }
}
