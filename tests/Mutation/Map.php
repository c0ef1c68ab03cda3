<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Mutation;

use Symfony\Component\Process\Process;

/**
 * Which tests run through which line of the core, each set of data by itself, and how long each takes: read off one run under pcov. A
 * line that only holds a constant is run through by whatever runs through its file.
 */
final readonly class Map
{
    /** Rooms whose tests also hold a room of the plan; any other is held by its own, and by those of sums and quantities. */
    private const BESIDE = [
        'Plan' => ['Vehicle', 'Procedure'], 'Vehicle' => ['Procedure'], 'Procedure' => ['Compiler'], 'Sheet' => ['Compiler'],
        'State' => ['Lint', 'Law'], 'Law' => ['Lint', 'Bench'], 'Safety' => ['Law', 'Lint'], 'Lint' => [],
        'Compiler' => ['State'], 'Bench' => [],
    ];

    private const PINS = 'NimbleKnuckle\\Tests\\Core\\Pins\\';

    /**
     * @param list<string> $names Class::method, with its set of data
     * @param list<float> $seconds how long each takes
     * @param array<string, array<int, string>> $lines path => line => which of them, packed
     */
    private function __construct(private array $names, private array $seconds, private array $lines)
    {
    }

    /** Without a run beforehand: the tests of the room a place stands in, and those of all sums. */
    public static function byRooms(): self
    {
        return new self([], [], []);
    }

    /** Made where the core or its tests are not what they were; kept until then. */
    public static function made(string $root, string $folder): self
    {
        $key = self::key($root);
        $file = $folder.'/map-'.$key;
        if (!is_file($file)) {
            is_dir($folder) || mkdir($folder, 0o755, true);
            array_map(unlink(...), glob($folder.'/map-*') ?: []);
            $run = new Process([
                \PHP_BINARY, '-d', 'extension=pcov', '-d', 'pcov.enabled=1', '-d', 'pcov.directory='.$root.'/core', '-d', 'memory_limit=4G',
                $root.'/vendor/bin/phpunit', '--no-configuration', '--bootstrap', $root.'/vendor/autoload.php', '--extension',
                Footprint::class, '--no-output', $root.'/tests/Core',
            ], $root, ['NK_FOOTPRINT' => $file.'.part'], timeout: null);
            0 === $run->run() || throw new \RuntimeException('The tests do not pass as they are: nothing can be said of mutants.');
            rename($file.'.part', $file);
        }
        /** @var array{list<string>, list<float>, array<string, array<int, string>>} $made */
        $made = unserialize((string) file_get_contents($file), ['allowed_classes' => false]);

        return new self(...$made);
    }

    /**
     * Those that are no pins, or the pins.
     *
     * @return list<string> as their names are, the quickest first; folders where nothing is known
     */
    public function testsOf(Place $place, bool $pins = false): array
    {
        if ([] === $this->lines) {
            $room = explode('/', $place->path)[1];
            $rooms = [$room, ...self::BESIDE[$room] ?? ['Sum', 'Quantity']];

            return $pins ? ['tests/Core/Pins'] : array_values(array_filter(
                array_map(static fn (string $one): string => 'tests/Core/'.$one, $rooms), is_dir(...),
            ));
        }
        $file = $this->lines[$place->path] ?? [];
        $ran = [];
        foreach (isset($file[$place->line]) ? [$file[$place->line]] : $file as $packed) {
            /** @var list<int> $numbers */
            $numbers = array_values(unpack('v*', $packed) ?: []);
            foreach ($numbers as $one) {
                $ran[$one] = $one;
            }
        }
        $ran = array_values(array_filter($ran, fn (int $one): bool => str_starts_with($this->names[$one], self::PINS) === $pins));
        usort($ran, fn (int $a, int $b): int => $this->seconds[$a] <=> $this->seconds[$b] ?: $a <=> $b);

        return array_map(fn (int $one): string => $this->names[$one], $ran);
    }

    /** @param list<string> $tests */
    public function secondsOf(array $tests): float
    {
        $wanted = array_flip($tests);

        return array_sum(array_filter($this->seconds, fn (int $one): bool => isset($wanted[$this->names[$one]]), \ARRAY_FILTER_USE_KEY));
    }

    private static function key(string $root): string
    {
        $hash = hash_init('sha256');
        foreach (['core', 'tests/Core', 'procedures', 'demo/vehicles', 'causes'] as $folder) {
            $files = [];
            $within = new \RecursiveDirectoryIterator($root.'/'.$folder, \FilesystemIterator::SKIP_DOTS);
            foreach (new \RecursiveIteratorIterator($within) as $file) {
                $files[] = $file instanceof \SplFileInfo ? $file->getPathname() : '';
            }
            sort($files);
            foreach ($files as $file) {
                hash_update($hash, $file);
                hash_update_file($hash, $file);
            }
        }

        return substr(hash_final($hash), 0, 12);
    }
}
