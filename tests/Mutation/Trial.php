<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Mutation;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** One run of tests against one mutant, in a process of its own. */
final class Trial
{
    private const WORDS = 40_000;
    private readonly Process $process;
    private readonly string $junit;

    /** @param list<string> $tests by their names, or folders */
    public function __construct(
        private readonly string $root,
        private readonly string $mutant,
        array $tests,
        float $limit,
        string ...$options,
    ) {
        $this->junit = $mutant.'.xml';
        is_file($this->junit) && unlink($this->junit);
        $this->process = new Process([
            \PHP_BINARY, '-d', 'memory_limit=1G', $root.'/vendor/bin/phpunit', '--no-configuration', '--bootstrap',
            $root.'/tests/bootstrap-mutant.php', '--stop-on-failure', '--stop-on-error', '--no-output', '--log-junit', $this->junit,
            ...$options, ...self::chosen($root, $tests),
        ], $root, ['NK_MUTANT' => $mutant], timeout: $limit);
        $this->process->disableOutput();
        $this->process->start();
    }

    /** Null while it runs. */
    public function end(): ?End
    {
        try {
            $this->process->checkTimeout();
        } catch (ProcessTimedOutException) {
            return End::TimedOut;
        }
        if ($this->process->isRunning()) {
            return null;
        }
        $said = is_file($this->junit) ? (string) file_get_contents($this->junit) : '';
        is_file($this->junit) && unlink($this->junit);

        return match (true) {
            $this->process->isSuccessful() => End::Passed,
            str_contains($said, '<failure') || str_contains($said, '<error') => End::Failed,
            $this->loads() => End::Died,
            default => End::Unloadable,
        };
    }

    private function loads(): bool
    {
        return 0 === (new Process([\PHP_BINARY, $this->root.'/tests/bootstrap-mutant.php'], env: ['NK_MUTANT' => $this->mutant]))->run();
    }

    /**
     * @param list<string> $tests
     *
     * @return list<string> the files they stand in, and a filter on them; too many to be named are not filtered
     */
    private static function chosen(string $root, array $tests): array
    {
        if (is_dir($root.'/'.$tests[0])) {
            return array_map(static fn (string $folder): string => $root.'/'.$folder, $tests);
        }
        $files = [];
        foreach ($tests as $test) {
            $class = substr(explode('::', $test)[0], strlen('NimbleKnuckle\\Tests\\'));
            $files[$root.'/tests/'.str_replace('\\', '/', $class).'.php'] = true;
        }
        $method = static fn (string $test): string => explode(' with data set ', $test)[0];
        foreach ([$tests, array_values(array_unique(array_map($method, $tests)))] as $named) {
            $filter = '~^('.implode('|', array_map(static fn (string $test): string => preg_quote($test, '~'), $named)).')'
                .($named === $tests ? '$~' : '( with data set .*)?$~');
            if (strlen($filter) < self::WORDS) {
                return ['--filter', $filter, ...array_keys($files)];
            }
        }

        return array_keys($files);
    }
}
