<?php

declare(strict_types=1);

use NimbleKnuckle\App\Beside\DemoBeside;
use NimbleKnuckle\App\Kernel;

require_once dirname(__DIR__).'/vendor/autoload_runtime.php';

return static function (array $context): Kernel {
    $_SERVER['NK_WORLD'] = $_ENV['NK_WORLD'] = DemoBeside::worldOf($_COOKIE);
    $env = $context['APP_ENV'] ?? 'prod';

    return new Kernel(is_string($env) ? $env : 'prod', (bool) ($context['APP_DEBUG'] ?? false));
};
