<?php

declare(strict_types=1);

/** Named by opcache.preload in deploy/php-fpm.conf: what every request needs is compiled once, when the pool starts. */
$preload = dirname(__DIR__).'/var/cache/prod/NimbleKnuckle_App_KernelProdContainer.preload.php';
if (is_file($preload)) {
    require $preload;
}
