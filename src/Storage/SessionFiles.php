<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\AbstractSessionHandler;

/**
 * Sessions as files that are exchanged whole: PHP's own handler empties a file before it writes it, and a plug pulled between
 * the two signs somebody out. Nothing is locked: what a session holds is small and the same from page to page.
 */
final class SessionFiles extends AbstractSessionHandler
{
    private const LIFETIME = 1_209_600;

    private readonly string $directory;

    /** @param string $chosen APP_SESSIONS: a folder, absolute or below the project, where it is not to be the usual one */
    public function __construct(
        #[Autowire('%kernel.project_dir%')] string $project,
        #[Autowire('%kernel.environment%')] string $environment,
        #[Autowire(env: 'APP_SESSIONS')] string $chosen = '',
        #[Autowire(env: 'NK_WORLD')] string $world = '',
    ) {
        $directory = ('' === $chosen ? 'var/sessions' : $chosen).'/'.$environment;
        $this->directory = (str_starts_with($directory, '/') ? '' : $project.'/').$directory.('' === $world ? '' : '-'.$world);
    }

    public function open(string $path, string $name): bool
    {
        is_dir($this->directory) || @mkdir($this->directory, 0o750, true);

        return parent::open($path, $name);
    }

    public function close(): bool
    {
        return true;
    }

    public function updateTimestamp(string $id, string $data): bool
    {
        $file = $this->file($id);

        return is_file($file) && time() - (int) filemtime($file) < 600 || @touch($file);
    }

    public function gc(int $max_lifetime): int
    {
        $cleared = 0;
        foreach (glob($this->directory.'/sess_*') ?: [] as $file) {
            if (time() - (int) @filemtime($file) > self::LIFETIME && @unlink($file)) {
                ++$cleared;
            }
        }

        return $cleared;
    }

    protected function doRead(string $sessionId): string
    {
        $file = $this->file($sessionId);

        return is_file($file) ? (string) @file_get_contents($file) : '';
    }

    protected function doWrite(string $sessionId, string $data): bool
    {
        $new = $this->file($sessionId).'.'.bin2hex(random_bytes(4));

        return strlen($data) === @file_put_contents($new, $data) && @chmod($new, 0o600) && @rename($new, $this->file($sessionId));
    }

    protected function doDestroy(string $sessionId): bool
    {
        $file = $this->file($sessionId);

        return !is_file($file) || @unlink($file);
    }

    /** The id comes from a cookie: letters, digits, comma and hyphen, or it names no file. */
    private function file(string $id): string
    {
        return $this->directory.'/sess_'.(1 === preg_match('/\A[A-Za-z0-9,-]{16,128}\z/', $id) ? $id : hash('sha256', $id));
    }
}
