<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The files of the pictures, each under the SHA-256 of what is in it: the same picture twice is one file. */
final readonly class PhotoFiles
{
    public const FOLDER = 'photos';

    public function __construct(#[Autowire(param: 'app.data_dir')] private string $dataDir)
    {
    }

    public function folder(): string
    {
        return $this->dataDir.'/'.self::FOLDER;
    }

    /**
     * On the disk when this returns.
     *
     * @return string the hash it goes by
     *
     * @throws InvalidPicture where the disk takes no more
     */
    public function keep(string $jpeg): string
    {
        $hash = hash('sha256', $jpeg);
        is_file($this->path($hash)) || self::write($this->path($hash), $jpeg);

        return $hash;
    }

    public function has(string $hash): bool
    {
        return 1 === preg_match('/\A[0-9a-f]{64}\z/', $hash) && is_file($this->path($hash));
    }

    public function path(string $hash): string
    {
        return sprintf('%s/%s/%s.jpg', $this->folder(), substr($hash, 0, 2), $hash);
    }

    /** A small one, made when it is first asked for and again where it is missing: it is not in a backup. */
    public function small(string $hash): ?string
    {
        if (!$this->has($hash)) {
            return null;
        }
        $path = sprintf('%s/small/%s/%s.jpg', $this->folder(), substr($hash, 0, 2), $hash);
        try {
            is_file($path) || self::write($path, Picture::small((string) file_get_contents($this->path($hash)))->jpeg);
        } catch (InvalidPicture) {
            return $this->path($hash);
        }

        return $path;
    }

    private static function write(string $path, string $bytes): void
    {
        $folder = dirname($path);
        is_dir($folder) || @mkdir($folder, 0o750, true) || is_dir($folder) || throw new InvalidPicture(self::full());
        $new = sprintf('%s.%s.new', $path, bin2hex(random_bytes(4)));
        $file = @fopen($new, 'x');
        $isWhole = false !== $file && strlen($bytes) === fwrite($file, $bytes) && fsync($file);
        false === $file || fclose($file);
        if (!$isWhole || !rename($new, $path)) {
            is_file($new) && unlink($new);
            throw new InvalidPicture(self::full());
        }
    }

    private static function full(): string
    {
        return 'The workshop’s server could not keep the picture: is its disk full? The picture stays on this tablet.';
    }
}
