<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Mutation;

use SebastianBergmann\CodeCoverage\CodeCoverage;
use Symfony\Component\Process\Process;

/**
 * Which tests run through which line of the core, and how long each takes: read off one run under pcov. A line that only holds a
 * constant is run through by whatever runs through its file.
 */
final readonly class Map
{
    /**
     * @param array<string, array<int, list<string>>> $lines path => line => tests
     * @param array<string, float> $seconds test => how long
     */
    private function __construct(private array $lines, private array $seconds)
    {
    }

    /** Without a run beforehand: the tests of the room a place stands in, and those of all sums. */
    public static function byRooms(): self
    {
        return new self([], []);
    }

    /** Made where the core or its tests are not what they were; kept until then. */
    public static function made(string $root, string $folder): self
    {
        $key = self::key($root);
        $file = $folder.'/map-'.$key;
        if (!is_file($file)) {
            is_dir($folder) || mkdir($folder, 0o755, true);
            array_map(unlink(...), glob($folder.'/map-*') ?: []);
            [$coverage, $junit] = [$folder.'/coverage.php', $folder.'/times.xml'];
            $run = new Process([
                \PHP_BINARY, '-d', 'extension=pcov', '-d', 'pcov.enabled=1', '-d', 'pcov.directory='.$root.'/core', '-d', 'memory_limit=4G',
                $root.'/vendor/bin/phpunit', '--no-configuration', '--bootstrap', $root.'/vendor/autoload.php', '--coverage-filter',
                $root.'/core', '--coverage-php', $coverage, '--log-junit', $junit, '--exclude-group', 'pins', '--no-output',
                $root.'/tests/Core',
            ], $root, timeout: null);
            0 === $run->run() || throw new \RuntimeException('The tests do not pass as they are: nothing can be said of mutants.');
            file_put_contents($file, serialize([self::lines($coverage, $root), self::seconds($junit)]));
            unlink($coverage);
            unlink($junit);
        }
        /** @var array{array<string, array<int, list<string>>>, array<string, float>} $made */
        $made = unserialize((string) file_get_contents($file), ['allowed_classes' => false]);

        return new self(...$made);
    }

    /**
     * @return list<string> Class::method, the quickest first; folders where nothing is known
     */
    public function testsOf(Place $place): array
    {
        if ([] === $this->lines) {
            return array_values(array_filter(
                ['tests/Core/'.explode('/', $place->path)[1], 'tests/Core/Sum', 'tests/Core/Quantity'], is_dir(...),
            ));
        }
        $file = $this->lines[$place->path] ?? [];
        $tests = $file[$place->line] ?? array_values(array_unique(array_merge([], ...array_values($file))));
        usort($tests, fn (string $a, string $b): int => ($this->seconds[$a] ?? 0.0) <=> ($this->seconds[$b] ?? 0.0) ?: $a <=> $b);

        return $tests;
    }

    /** @param list<string> $tests */
    public function secondsOf(array $tests): float
    {
        return array_sum(array_map(fn (string $test): float => $this->seconds[$test] ?? 0.0, $tests));
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

    /** @return array<string, array<int, list<string>>> */
    private static function lines(string $coverage, string $root): array
    {
        $lines = [];
        $read = require $coverage;
        $read instanceof CodeCoverage || throw new \RuntimeException('There is no coverage.');
        /** @var array<string, array<int, list<string>|null>> $data */
        $data = $read->getData()->lineCoverage();
        foreach ($data as $path => $covered) {
            foreach ($covered as $line => $tests) {
                $methods = array_map(static fn (string $test): string => explode('#', $test)[0], $tests ?? []);
                [] === $methods || $lines[substr($path, strlen($root) + 1)][$line] = array_values(array_unique($methods));
            }
        }

        return $lines;
    }

    /** @return array<string, float> */
    private static function seconds(string $junit): array
    {
        $seconds = [];
        $read = simplexml_load_file($junit);
        foreach (false === $read ? [] : ($read->xpath('//testcase') ?: []) as $case) {
            $test = $case['class'].'::'.explode(' with data set', (string) $case['name'])[0];
            $seconds[$test] = ($seconds[$test] ?? 0.0) + (float) $case['time'];
        }

        return $seconds;
    }
}
