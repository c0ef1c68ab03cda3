<?php

declare(strict_types=1);

/* Writes all that is pinned anew, or what is named: php tests/pin.php [sums/torque-check …]. Read the difference before you commit it. */
require dirname(__DIR__).'/vendor/autoload.php';

use NimbleKnuckle\Tests\Core\Pins\PinBook;

foreach (array_slice($argv, 1) ?: PinBook::names() as $name) {
    is_dir(dirname(PinBook::file($name))) || mkdir(dirname(PinBook::file($name)), 0o755, true);
    file_put_contents(PinBook::file($name), PinBook::written(PinBook::now($name)));
}
