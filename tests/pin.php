<?php

declare(strict_types=1);

/* Writes all that is pinned anew. Read the difference before you commit it. */
require dirname(__DIR__).'/vendor/autoload.php';

use NimbleKnuckle\Tests\Core\Pins\PinBook;
use NimbleKnuckle\Tests\Core\Sum\Pinned;

is_dir(dirname(Pinned::file('x'))) || mkdir(dirname(Pinned::file('x')));
foreach (Pinned::sums() as $sum) {
    $lines = array_map(static fn (array $inputs): string => json_encode(
        ['inputs' => $inputs, 'answer' => Pinned::answer($sum, $inputs)],
        \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR,
    ), Pinned::inputs($sum));
    file_put_contents(Pinned::file($sum), "[\n".implode(",\n", $lines)."\n]\n");
}
is_dir(dirname(PinBook::file('x'))) || mkdir(dirname(PinBook::file('x')));
foreach (array_keys(PinBook::PINS) as $name) {
    $lines = [];
    foreach (PinBook::now($name) as $key => $mark) {
        $lines[] = json_encode((string) $key, \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES).': '.json_encode(
            $mark, \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );
    }
    file_put_contents(PinBook::file($name), "{\n".implode(",\n", $lines)."\n}\n");
}
