<?php

declare(strict_types=1);

/** For PHP's built-in server: files that exist are sent as they are, everything else goes to the front controller. */
// This server hands the environment to getenv() only; the settings are looked for in $_SERVER first.
foreach (['APP_ENV', 'APP_DEBUG', 'APP_DATA', 'APP_SESSIONS', 'APP_SECRET'] as $name) {
    $value = getenv($name);
    if (false !== $value) {
        $_SERVER[$name] = $_ENV[$name] = $value;
    }
}
$public = dirname(__DIR__).'/public';
$path = parse_url(is_string($_SERVER['REQUEST_URI'] ?? null) ? $_SERVER['REQUEST_URI'] : '/', \PHP_URL_PATH);
if (is_string($path) && '/' !== $path && !str_contains($path, '..') && is_file($public.$path)) {
    return false;
}
$_SERVER['SCRIPT_FILENAME'] = $public.'/index.php';
$_SERVER['SCRIPT_NAME'] = '/index.php';
$_SERVER['PHP_SELF'] = '/index.php';
require $public.'/index.php';
