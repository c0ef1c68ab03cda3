<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Document;

use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Sheet\Mishap\MishapList;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/**
 * A schema is what every door holds a document against, and a reader makes of it what it says. Whatever a schema allows in a place, one of
 * its words or a number at either end, the reader takes there: the two cannot drift apart.
 */
#[CoversClass(Node::class)]
#[CoversClass(InvalidDocument::class)]
final class SchemasTest extends TestCase
{
    private const FORMATS = [
        'vehicle-2' => ['demo/vehicles', 'starters'], 'procedure-1' => ['procedures'], 'common-1' => ['procedures'],
        'causes-1' => ['causes'], 'mishaps-1' => ['mishaps'],
        'sheet-1' => [],
    ];

    /** Held against the number beside it: the smaller end of a clamp. */
    private const BESIDE_ANOTHER = ['/charge/joins/#/clamp/to', '/charge/box/clamps/#/to'];

    /** A sealant is two of the ways a face is sealed. */
    private const NARROWER = ['/operations/#/sealant'];

    #[DataProvider('formats')]
    public function testTheReaderTakesAllTheSchemaAllows(string $format): void
    {
        $places = self::places($format);
        self::assertGreaterThan(5, count($places));
        $refused = [];
        foreach (array_diff_key($places, array_flip(self::BESIDE_ANOTHER)) as [$document, $path, $allowed]) {
            foreach ($allowed as $value) {
                $refusal = self::refusal($format, $document, $path, $value);
                null === $refusal || $refused[] = $refusal;
            }
        }
        self::assertSame([], $refused);
    }

    /** Where the reader has a list of its own, it is the same list. */
    #[DataProvider('formats')]
    public function testTheWordsOfTheReaderAreThoseOfTheSchema(string $format): void
    {
        $compared = 0;
        foreach (array_diff_key(self::places($format), array_flip(self::NARROWER)) as $where => [$document, $path, $allowed]) {
            $refusal = is_string($allowed[0]) ? self::refusal($format, $document, $path, 'no such word') ?? '' : '';
            if (1 === preg_match('~ is not one of (.+)\.$~u', $refusal, $m)) {
                ++$compared;
                $words = array_diff(array_filter($allowed, is_string(...)), ['']);
                self::assertEqualsCanonicalizing($words, array_diff(explode(', ', $m[1]), ['']), $where);
            }
        }
        self::assertGreaterThan(0, $compared);
    }

    /** @param list<int|string> $path */
    private static function refusal(string $format, mixed $document, array $path, mixed $value): ?string
    {
        try {
            self::read($format, self::with($document, $path, $value));
        } catch (InvalidDocument $e) {
            return str_starts_with($e->path, implode('.', $path)) ? $e->getMessage() : null;
        }

        return null;
    }

    /** @return iterable<string, array{string}> */
    public static function formats(): iterable
    {
        foreach (array_keys(self::FORMATS) as $format) {
            yield $format => [$format];
        }
    }

    private static function read(string $format, mixed $document): object
    {
        $node = Node::of($document);

        return match ($format) {
            'vehicle-2' => VehicleSheet::read($node),
            'procedure-1' => Procedure::read($node, Sheets::common()),
            'common-1' => CommonParts::read($node),
            'causes-1' => CauseTable::read($node),
            'sheet-1' => Sheet::read($node),
            default => MishapList::read($node),
        };
    }

    /** @return array<string, array{mixed, list<int|string>, non-empty-list<mixed>}> each place of the schema once, where it first stands */
    private static function places(string $format): array
    {
        $root = dirname(__DIR__, 3);
        $json = (string) file_get_contents($root.'/schemas/'.$format.'.json');
        $schema = self::part(json_decode($json, true, 64, \JSON_THROW_ON_ERROR));
        $found = [];
        foreach (self::documents($format) as $document) {
            foreach (self::leaves($schema, $schema, $document, [], '') as [$where, $path, $allowed]) {
                $found[$where] ??= [$document, $path, $allowed];
            }
        }

        return $found;
    }

    /** @return iterable<array<mixed>> what is shipped in a format; of sheets, what the compiler makes of some jobs */
    private static function documents(string $format): iterable
    {
        $root = dirname(__DIR__, 3).'/';
        foreach ('sheet-1' === $format ? ['thermostat-under', 'wastegate-actuator', 'spark-plugs', 'charge-pipes'] : [] as $job) {
            $procedure = Sheets::procedure($job);
            yield (new Compiler(Sheets::common()))->compile([$procedure], $procedure->defaults(), Sheets::tarn(), Sheets::kit())->toArray();
        }
        foreach (self::FORMATS[$format] as $folder) {
            foreach (glob($root.$folder.'/*.yaml') ?: [] as $file) {
                $document = Yaml::parseFile($file);
                if (is_array($document) && 'nimble-knuckle/'.str_replace('-', '@', $format) === ($document['format'] ?? '')) {
                    yield $document;
                }
            }
        }
    }

    /**
     * @param array<mixed> $root
     * @param array<mixed> $schema
     * @param list<int|string> $path
     *
     * @return iterable<array{string, list<int|string>, non-empty-list<mixed>}>
     */
    private static function leaves(array $root, array $schema, mixed $value, array $path, string $where): iterable
    {
        foreach (self::shapes($root, $schema) as $shape) {
            $allowed = array_values(array_filter(
                is_array($shape['enum'] ?? null) ? $shape['enum'] : [$shape['minimum'] ?? null, $shape['maximum'] ?? null],
                static fn (mixed $one): bool => null !== $one,
            ));
            if ([] !== $allowed) {
                yield [$where, $path, $allowed];
            }
            foreach (is_array($value) ? $value : [] as $key => $one) {
                $inner = is_int($key) ? $shape['items'] ?? null
                    : self::part($shape['properties'] ?? null)[$key] ?? $shape['additionalProperties'] ?? null;
                if (is_array($inner)) {
                    yield from self::leaves($root, $inner, $one, [...$path, $key], $where.'/'.(is_int($key) ? '#' : $key));
                }
            }
        }
    }

    /**
     * What a place may look like: named elsewhere, or one of several.
     *
     * @param array<mixed> $root
     * @param array<mixed> $schema
     *
     * @return iterable<array<mixed>>
     */
    private static function shapes(array $root, array $schema): iterable
    {
        if (is_string($schema['$ref'] ?? null)) {
            $named = self::part($root['$defs'] ?? null)[substr($schema['$ref'], strlen('#/$defs/'))] ?? null;
            yield from is_array($named) ? self::shapes($root, $named) : [];

            return;
        }
        yield $schema;
        foreach ([...self::part($schema['oneOf'] ?? null), ...self::part($schema['anyOf'] ?? null)] as $one) {
            yield from is_array($one) ? self::shapes($root, $one) : [];
        }
    }

    /** @return array<mixed> */
    private static function part(mixed $of): array
    {
        return is_array($of) ? $of : [];
    }

    /** @param list<int|string> $path */
    private static function with(mixed $document, array $path, mixed $value): mixed
    {
        if ([] === $path) {
            return $value;
        }
        $document = is_array($document) ? $document : [];
        $key = array_shift($path);
        $document[$key] = self::with($document[$key] ?? null, $path, $value);

        return $document;
    }
}
