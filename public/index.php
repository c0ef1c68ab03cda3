<?php

declare(strict_types=1);

use NimbleKnuckle\App\Beside\DemoBeside;
use NimbleKnuckle\App\Kernel;
use NimbleKnuckle\App\Storage\DataDirectory;

require_once dirname(__DIR__).'/vendor/autoload_runtime.php';

return static function (array $context): Kernel {
    $_SERVER['NK_WORLD'] = $_ENV['NK_WORLD'] = DemoBeside::worldOf(
        $_COOKIE, DataDirectory::own($context['APP_DATA'] ?? '', dirname(__DIR__)),
    );
    $env = $context['APP_ENV'] ?? 'prod';

    return new Kernel(is_string($env) ? $env : 'prod', (bool) ($context['APP_DEBUG'] ?? false));
};
