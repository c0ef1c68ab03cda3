<?php

declare(strict_types=1);

/*
 * Changes the core in one small place at a time and looks whether a test notices: a comparison, a sign, a term, a unit, a number.
 *
 *   php tests/mutate.php [--seed=1] [--count=200] [--only=core/Fluids] [--minutes=60] [--most=100]
 *
 * It fails where more than so many percent survive. The same seed changes the same places. Places where no change can be
 * noticed stand in tests/mutants-alike.txt, with why.
 */

const NUMBER = [\T_LNUMBER, \T_DNUMBER];
const SWAPPED = ['+' => '-', '-' => '+', '*' => '/', '/' => '*', '<' => '>=', '>' => '<='];
const SWAPPED_TOKENS = [
    \T_IS_SMALLER_OR_EQUAL => '<', \T_IS_GREATER_OR_EQUAL => '>', \T_IS_IDENTICAL => '!==', \T_IS_NOT_IDENTICAL => '===',
    \T_BOOLEAN_AND => '||', \T_BOOLEAN_OR => '&&',
];
const UNITS = [
    'Millimetre' => 'Inch', 'NewtonMetre' => 'PoundFoot', 'Kilopascal' => 'Psi', 'Litre' => 'Millilitre', 'Celsius' => 'Fahrenheit',
    'Percent' => 'One', 'Degree' => 'Turn', 'Newton' => 'PoundForce', 'Minute' => 'Second',
];

/** @return list<array{int, int, string, string}> where in the file, how long, what stands there, what is put instead */
function places(string $code): array
{
    $places = [];
    $at = 0;
    $tokens = token_get_all($code);
    foreach ($tokens as $i => $token) {
        [$id, $text] = is_array($token) ? $token : [null, $token];
        $before = $tokens[$i - 1] ?? '';
        $isValue = is_array($tokens[$i - 2] ?? null) || in_array($tokens[$i - 2] ?? '', [')', ']'], true);
        $new = match (true) {
            is_array($token)
                && \T_STRING === $id
                && isset(UNITS[$text])
                && is_array($before)
                && \T_DOUBLE_COLON === $before[0] => UNITS[$text],
            is_array($token) && in_array($id, NUMBER, true) => number($text),
            is_array($token) => SWAPPED_TOKENS[$id] ?? null,
            isset(SWAPPED[$text]) && is_array($before) && \T_WHITESPACE === $before[0] && $isValue => SWAPPED[$text],
            default => null,
        };
        if (null !== $new) {
            $places[] = [$at, strlen($text), $text, $new];
        }
        $at += strlen($text);
    }

    return $places;
}

function number(string $text): string
{
    $value = (float) str_replace('_', '', $text);

    return str_contains($text, '.') || str_contains(strtolower($text), 'e') ? sprintf(
        '%.10F', 0.0 === $value ? 1.0 : $value * 1.1,
    ) : (string) ((int) $value + 1);
}

/**
 * @return list<array{string, string}> where (a path, or how one begins), and a piece of the line with «the place» marked
 */
function alike(string $file): array
{
    $alike = [];
    foreach (file($file, \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
        $parts = explode("\t", $line);
        if (!str_starts_with($line, '#') && 3 === count($parts)) {
            $alike[] = [$parts[0], $parts[1]];
        }
    }

    return $alike;
}

/** @param list<array{string, string}> $alike */
function isAlike(array $alike, string $path, string $code, int $at, string $old): bool
{
    $from = (int) strrpos(substr($code, 0, $at), "\n");
    $to = strpos($code, "\n", $at);
    $before = substr($code, $from, $at - $from);
    $marked = $before.'«'.$old.'»'.substr($code, $at + strlen($old), (false === $to ? strlen($code) : $to) - $at - strlen($old));
    foreach ($alike as [$where, $piece]) {
        if (str_starts_with($path, $where) && str_contains($marked, $piece)) {
            return true;
        }
    }

    return false;
}

/** @return list<string> */
function testsOf(string $room): array
{
    $own = is_dir(__DIR__.'/Core/'.$room) ? [__DIR__.'/Core/'.$room] : [];

    return [
        __DIR__.'/Core/Pins',
        ...$own,
        ...array_map(
            static fn (string $r): string => __DIR__.'/Core/'.$r,
            array_values(
                array_diff(
                    ['Sum', 'Quantity', 'Drawing', 'Plan', 'Bench', 'Fluids', 'Bolting', 'Tightening', 'Sealing', 'Document', 'Trace'],
                    [$room],
                ),
            ),
        ),
    ];
}

/** @return resource */
function start(string $mutant, array $tests, bool $slow)
{
    $options = [
        '--no-configuration', '--bootstrap', __DIR__.'/bootstrap-mutant.php', '--stop-on-failure', '--stop-on-error', '--no-output',
        $slow ? '--group' : '--exclude-group', 'slow',
    ];
    $command = array_merge(['timeout', '90', \PHP_BINARY, dirname(__DIR__).'/vendor/bin/phpunit'], $options, $tests);
    $process = proc_open(
        $command, [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes, dirname(__DIR__),
        ['NK_MUTANT' => $mutant] + getenv(),
    );

    return is_resource($process) ? $process : throw new RuntimeException('PHPUnit does not start.');
}

$given = getopt('', ['seed::', 'count::', 'only::', 'minutes::', 'most::']);
$seed = (int) ($given['seed'] ?? 1);
$count = (int) ($given['count'] ?? 200);
$only = (string) ($given['only'] ?? 'core');
$until = microtime(true) + 60 * (float) ($given['minutes'] ?? 600);
$root = dirname(__DIR__);
$alike = alike(__DIR__.'/mutants-alike.txt');
$left = 0;
$all = [];
foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root.'/'.$only, FilesystemIterator::SKIP_DOTS)) as $file) {
    $path = substr($file->getPathname(), strlen($root) + 1);
    $code = (string) file_get_contents($file->getPathname());
    foreach (places($code) as [$at, $length, $old, $new]) {
        $line = substr_count($code, "\n", 0, $at) + 1;
        if (isAlike($alike, $path, $code, $at, $old)) {
            ++$left;
            continue;
        }
        $name = sprintf('%s:%d %s → %s', $path, $line, $old, $new);
        $all[] = [$path, substr_replace($code, $new, $at, $length), $name];
    }
}
usort($all, static fn (array $a, array $b): int => $a[2] <=> $b[2]);
mt_srand($seed);
for ($i = count($all) - 1; $i > 0; --$i) {
    $j = mt_rand(0, $i);
    [$all[$i], $all[$j]] = [$all[$j], $all[$i]];
}
$waiting = array_slice($all, 0, $count);
$running = [];
$survived = [];
$killed = 0;
while (([] !== $waiting && microtime(true) < $until) || [] !== $running) {
    while (count($running) < 2 && [] !== $waiting && microtime(true) < $until) {
        [$path, $code, $name] = array_shift($waiting);
        $mutant = (string) tempnam(sys_get_temp_dir(), 'nk-mutant');
        file_put_contents($mutant, $code);
        $tests = testsOf(explode('/', $path)[1]);
        $running[] = [start($mutant, $tests, false), $mutant, $name, $tests, false];
    }
    foreach ($running as $key => [$process, $mutant, $name, $tests, $slow]) {
        $status = proc_get_status($process);
        if ($status['running']) {
            continue;
        }
        proc_close($process);
        if (0 === $status['exitcode'] && !$slow) {
            $running[$key] = [start($mutant, $tests, true), $mutant, $name, $tests, true];
            continue;
        }
        0 === $status['exitcode'] ? $survived[] = $name : ++$killed;
        unlink($mutant);
        unset($running[$key]);
    }
    usleep(20_000);
}
sort($survived);
echo implode("\n", $survived), [] === $survived ? '' : "\n";
printf(
    "seed %d: %d of %d survived, %.1f %%; %d places in all, and %d alike\n", $seed, count($survived), count($survived) + $killed,
    100 * count($survived) / max(1, count($survived) + $killed), count($all), $left,
);
exit(100 * count($survived) > (float) ($given['most'] ?? 100) * max(1, count($survived) + $killed) ? 1 : 0);
