<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/**
 * Each number of a vehicle sheet, one of a kind, is moved until the sheet is refused: where that begins is what the refusal says, or
 * another number beside it that it must not pass.
 */
final class VehicleLimitsTest extends TestCase
{
    private const GRID = [
        -1e6, -300, -30, -1, -0.1, 0, 0.01, 0.2, 0.5, 1, 1.3, 2, 3.1, 5.7, 15.5, 43, 95, 130, 210, 330, 550, 1_100, 2_300, 11_000, 33_000,
        1e6,
    ];
    /** Whole numbers are told apart by their kind, not by a limit. */
    private const OTHERWISE = '~a whole number is needed~';
    private const NEAR = 1e-6;

    /** @param list<int|string> $path */
    #[DataProvider('numbers')]
    public function testARefusalNamesWhereItBegins(string $file, array $path): void
    {
        $document = (array) Yaml::parseFile($file);
        $beside = self::leaves(self::at($document, array_slice($path, 0, -2)));
        $found = 0;
        [$low, $was] = [self::GRID[0], self::refusal($document, $path, self::GRID[0])];
        foreach (array_slice(self::GRID, 1) as $high) {
            $is = self::refusal($document, $path, $high);
            if (('' === $is) !== ('' === $was) && 1 !== preg_match(self::OTHERWISE, $was.$is)) {
                preg_match_all('~-?\d+(?:\.\d+)?~', (string) preg_replace('~“[^”]*”~u', '', $was.$is), $said);
                $ends = array_filter(
                    [0.0, ...array_map(floatval(...), $said[0]), ...$beside],
                    static fn (float $one): bool => $one >= $low - 1 && $one <= $high + 1 && self::changesAt($document, $path, $one),
                );
                self::assertNotSame([], $ends, sprintf('%s, from %s to %s: %s', implode('.', $path), $low, $high, $was.$is));
                ++$found;
            }
            [$low, $was] = [$high, $is];
        }
        $this->addToAssertionCount(1 - min(1, $found));
    }

    /** @return iterable<string, array{string, list<int|string>}> the first of each kind over all demo vehicles */
    public static function numbers(): iterable
    {
        $seen = [];
        foreach (glob(dirname(__DIR__, 3).'/demo/vehicles/*.yaml') ?: [] as $file) {
            foreach (self::paths((array) Yaml::parseFile($file)) as $path) {
                $kind = implode('.', array_map(static fn (int|string $one): string => is_int($one) ? '*' : $one, $path));
                if (!isset($seen[$kind])) {
                    $seen[$kind] = true;
                    yield $kind => [$file, $path];
                }
            }
        }
    }

    /**
     * Whether just there it is taken on one side and refused on the other, or taken there alone; of a count, a whole one further.
     *
     * @param array<array-key, mixed> $document
     * @param list<int|string> $path
     */
    private static function changesAt(array $document, array $path, float $end): bool
    {
        $near = self::NEAR * max(1.0, abs($end));
        $whole = (int) $end;
        foreach ([[$end - $near, $end, $end + $near], [$whole - 1, $whole, $whole + 1]] as $around) {
            $taken = array_map(static fn (float|int $one): bool => '' === self::refusal($document, $path, $one), $around);
            if (1 < count(array_unique($taken))) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<array-key, mixed> $document
     * @param list<int|string> $path
     */
    private static function refusal(array $document, array $path, float|int $value): string
    {
        $place = &$document;
        foreach ($path as $key) {
            $place = &$place[$key]; // @phpstan-ignore offsetAccess.nonOffsetAccessible
        }
        $place = $value;
        unset($place);
        try {
            VehicleSheet::read(Node::of($document));
        } catch (InvalidDocument $e) {
            return $e->getMessage();
        }

        return '';
    }

    /**
     * @param array<array-key, mixed> $node
     * @param list<int|string> $path
     *
     * @return array<array-key, mixed>
     */
    private static function at(array $node, array $path): array
    {
        foreach ($path as $key) {
            $node = (array) ($node[$key] ?? []);
        }

        return $node;
    }

    /**
     * @param array<array-key, mixed> $node
     *
     * @return list<float>
     */
    private static function leaves(array $node): array
    {
        $leaves = [];
        array_walk_recursive($node, static function (mixed $one) use (&$leaves): void {
            (is_int($one) || is_float($one)) && $leaves[] = (float) $one;
        });

        return $leaves;
    }

    /**
     * @param array<array-key, mixed> $node
     * @param list<int|string> $path
     *
     * @return iterable<list<int|string>>
     */
    private static function paths(array $node, array $path = []): iterable
    {
        foreach ($node as $key => $one) {
            if (is_array($one)) {
                yield from self::paths($one, [...$path, $key]);
            } elseif (is_int($one) || is_float($one)) {
                yield [...$path, $key];
            }
        }
    }
}
