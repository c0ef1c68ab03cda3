<?php

declare(strict_types=1);

/*
 * Changes the core in one small place at a time and looks whether a test notices: a comparison, a sign, a term, a unit, a number.
 *
 *   php tests/mutate.php [--seed=1,2,3] [--count=60] [--only=core/Fluids] [--minutes=60] [--bare=75] [--pinned=92] [--rooms] [--list]
 *
 * Each mutant meets the tests that run through its line (with --rooms, where nothing was run beforehand, those of its room and of the
 * sums), pins left out, then the pins: both rates are told, over all seeds together.
 * Noticed is what fails an assertion or ends a test with an error. A run that takes too long is tried again with far more time and is
 * then told apart: it counts as noticed by nobody. It fails where a rate lies under what is wanted by more than chance. The same seed
 * changes the same places. Places where no change can be noticed stand in tests/mutants-alike.txt, with why.
 */

use NimbleKnuckle\Tests\Mutation\Alike;
use NimbleKnuckle\Tests\Mutation\End;
use NimbleKnuckle\Tests\Mutation\Map;
use NimbleKnuckle\Tests\Mutation\Place;
use NimbleKnuckle\Tests\Mutation\Places;
use NimbleKnuckle\Tests\Mutation\Trial;

require dirname(__DIR__).'/vendor/autoload.php';

const HANDS = 2;
const LEAST_SECONDS = 60.0;
const TIMES_LONGER = 6.0;
const AGAIN_TIMES = 6.0;
const PINS_SECONDS = 240.0;
/** Rewritten as the law learns more, and measured there. */
const ELSEWHERE = ['core/Lint/'];

$given = getopt('', ['seed::', 'count::', 'only::', 'minutes::', 'bare::', 'pinned::', 'rooms', 'list']);
$option = static fn (string $name, string $usual): string => is_string($given[$name] ?? null) ? $given[$name] : $usual;
$root = dirname(__DIR__);
$count = (int) $option('count', '60');
$only = $option('only', 'core');
$until = microtime(true) + 60 * (float) $option('minutes', '600');

$alike = Alike::read(__DIR__.'/mutants-alike.txt');
[$all, $left] = [[], 0];
$folders = is_file($root.'/'.$only) ? [new SplFileInfo($root.'/'.$only)]
    : new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root.'/'.$only, FilesystemIterator::SKIP_DOTS));
foreach ($folders as $file) {
    $path = substr($file->getPathname(), strlen($root) + 1);
    if ('core' === $only && [] !== array_filter(ELSEWHERE, static fn (string $part): bool => str_starts_with($path, $part))) {
        continue;
    }
    foreach (Places::of($path, (string) file_get_contents($file->getPathname())) as $place) {
        $alike->has($place) ? ++$left : $all[] = $place;
    }
}
usort($all, static fn (Place $a, Place $b): int => [$a->path, $a->at] <=> [$b->path, $b->at]);
$waiting = [];
foreach (array_map(intval(...), explode(',', $option('seed', '1'))) as $seed) {
    $luck = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    foreach (array_slice($luck->shuffleArray(array_keys($all)), 0, $count) as $key) {
        $waiting[$key] = $all[$key];
    }
}
$asked = count($waiting);
chdir($root);
$map = isset($given['rooms']) ? Map::byRooms() : Map::made($root, $root.'/var/mutation');

/** Bare first, then, where nothing noticed, the pins; longer where time ran out. */
$next = static function (Place $place, string $mutant, string $stage) use ($map, $root): Trial {
    $tests = $map->testsOf($place, 'pins' === $stage);
    $limit = max('pins' === $stage ? PINS_SECONDS : LEAST_SECONDS, TIMES_LONGER * $map->secondsOf($tests));

    return match ($stage) {
        'bare' => new Trial($root, $mutant, $tests, $limit, '--exclude-group', 'pins'),
        'bare again' => new Trial($root, $mutant, $tests, AGAIN_TIMES * $limit, '--exclude-group', 'pins'),
        default => new Trial($root, $mutant, $tests, $limit, '--group', 'pins'),
    };
};
$end = ['bare' => [], 'pins' => [], 'survived' => [], 'endless' => [], 'died' => [], 'unloadable' => []];
$running = [];
while (([] !== $waiting && microtime(true) < $until) || [] !== $running) {
    while (count($running) < HANDS && [] !== $waiting && microtime(true) < $until) {
        $place = array_shift($waiting);
        $mutant = (string) tempnam(sys_get_temp_dir(), 'nk-mutant');
        file_put_contents($mutant, $place->mutant());
        $stage = [] !== $map->testsOf($place) ? 'bare' : 'pins';
        if ('pins' === $stage && [] === $map->testsOf($place, true)) {
            $end['survived'][] = $place->name();
            isset($given['list']) && fwrite(\STDERR, 'survived '.$place->name()."\n");
            unlink($mutant);
            continue;
        }
        $running[] = [$next($place, $mutant, $stage), $place, $mutant, $stage];
    }
    foreach ($running as $key => [$trial, $place, $mutant, $stage]) {
        $said = $trial->end();
        if (null === $said) {
            continue;
        }
        $then = match (true) {
            End::TimedOut === $said && 'bare' === $stage => 'bare again',
            End::Passed === $said && 'pins' !== $stage && [] !== $map->testsOf($place, true) => 'pins',
            default => '',
        };
        if ('' !== $then) {
            $running[$key] = [$next($place, $mutant, $then), $place, $mutant, $then];
            continue;
        }
        $kind = match ($said) {
            End::Failed => 'pins' === $stage ? 'pins' : 'bare',
            End::Passed => 'survived',
            End::TimedOut => 'endless',
            End::Died => 'died',
            End::Unloadable => 'unloadable',
        };
        $end[$kind][] = $place->name();
        isset($given['list']) && fwrite(\STDERR, $kind.' '.$place->name()."\n");
        unlink($mutant);
        unset($running[$key]);
    }
    usleep(20_000);
}
$told = ['pins' => 'only a pin noticed', 'survived' => 'nothing noticed', 'endless' => 'never ended', 'died' => 'ended the process'];
foreach ($told as $kind => $words) {
    sort($end[$kind]);
    foreach ($end[$kind] as $name) {
        echo $words, ': ', $name, "\n";
    }
}
$looked = array_sum(array_map(count(...), $end)) - count($end['unloadable']);
$bare = count($end['bare']) + count($end['died']);
$rates = [100 * $bare / max(1, $looked), 100 * ($bare + count($end['pins'])) / max(1, $looked)];
printf(
    "seed %s: of %d of %d places the tests notice %.1f %%, with the pins %.1f %%; %d never ended, %d did not load, %d not reached; %s\n",
    $option('seed', '1'), $looked, $asked, $rates[0], $rates[1], count($end['endless']), count($end['unloadable']), count($waiting),
    sprintf('%d places in all, and %d alike', count($all), $left),
);
// Too few for what is wanted, and not by the luck of a small sample: less than three times what chance takes away.
$isShort = static function (float $rate, float $wanted) use ($looked): bool {
    return $rate / 100 * $looked < $wanted * $looked - 3 * sqrt($looked * $wanted * (1 - $wanted));
};
exit($isShort($rates[0], (float) $option('bare', '0') / 100) || $isShort($rates[1], (float) $option('pinned', '0') / 100) ? 1 : 0);
