<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Beside;

use NimbleKnuckle\App\Kernel;
use NimbleKnuckle\App\Storage\DataDirectory;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Output\BufferedOutput;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Filesystem\Filesystem;

/**
 * The demo workshop beside a real one: a folder of its own in the data folder, with its own database, sessions and procedures.
 * A cookie says that somebody is in it; what the cookie opens is invented from end to end.
 */
final readonly class DemoBeside
{
    public const COOKIE = 'nk_demo';
    private const WORLD = 'demo';
    private const GOING = 'demo.gone';
    /** Written last: without it there is no demo, whatever else lies there. */
    private const WHOLE = 'whole';

    public function __construct(
        #[Autowire(param: 'app.data_dir')] private string $dataDir, #[Autowire(env: 'NK_WORLD')] private string $world,
        #[Autowire(param: 'kernel.environment')] private string $environment,
    ) {
    }

    /**
     * The cookie counts only where the demo is whole; else everybody is in the real workshop.
     *
     * @param array<array-key, mixed> $cookies of the request
     * @param string $dataDir of the real workshop
     */
    public static function worldOf(array $cookies, string $dataDir): string
    {
        return '1' === ($cookies[self::COOKIE] ?? null) && is_file($dataDir.'/'.self::WORLD.'/'.self::WHOLE) ? self::WORLD : '';
    }

    /** Whether this request is in it. */
    public function isHere(): bool
    {
        return '' !== $this->world;
    }

    public function isThere(): bool
    {
        return is_file($this->folder(self::WORLD).'/'.self::WHOLE);
    }

    /**
     * Makes it where it is not there. Beside it first, and put in its place when it is whole; two who open it at once wait for one.
     *
     * @throws \RuntimeException when it cannot be made, with what was said
     */
    public function make(): void
    {
        if (!$this->isHere()) {
            $this->alone(function (): void { $this->isThere() || $this->made(); });
        }
    }

    public function throwAway(): void
    {
        if (!$this->isHere()) {
            $this->alone($this->removed(...));
        }
    }

    private function made(): void
    {
        $this->removed();
        $files = new Filesystem();
        $limit = (string) ini_set('memory_limit', '512M');
        $files->mkdir($this->folder(DataDirectory::MAKING), 0o750);
        try {
            $this->run(['command' => 'doctrine:migrations:migrate', '--no-interaction' => true, '--allow-no-migration' => true]);
            $this->run(['command' => 'demo:load']);
            $files->rename($this->folder(DataDirectory::MAKING), $this->folder(self::WORLD));
            $files->touch($this->folder(self::WORLD).'/'.self::WHOLE);
        } finally {
            $files->remove($this->folder(DataDirectory::MAKING));
            ini_set('memory_limit', $limit);
        }
    }

    /** At one stroke, so that nobody is in half of it; what a making or a removal that was killed left lies there no longer. */
    private function removed(): void
    {
        $files = new Filesystem();
        $files->remove([$this->folder(DataDirectory::MAKING), $this->folder(self::GOING), $this->folder(self::WORLD).'/'.self::WHOLE]);
        if (is_dir($this->folder(self::WORLD))) {
            $files->rename($this->folder(self::WORLD), $this->folder(self::GOING));
        }
        $files->remove($this->folder(self::GOING));
    }

    /** @param \Closure(): void $act */
    private function alone(\Closure $act): void
    {
        (new Filesystem())->mkdir($this->dataDir, 0o750);
        $lock = fopen($this->dataDir.'/demo.lock', 'c');
        false !== $lock && flock($lock, \LOCK_EX)
            || throw new \RuntimeException('The data folder cannot be written to: see to its rights.');
        try {
            $act();
        } finally {
            fclose($lock);
        }
    }

    /** @param array<string, mixed> $command */
    private function run(array $command): void
    {
        $was = [$_SERVER['NK_WORLD'] ?? '', $_ENV['NK_WORLD'] ?? ''];
        $_SERVER['NK_WORLD'] = $_ENV['NK_WORLD'] = DataDirectory::MAKING;
        $kernel = new Kernel($this->environment, false);
        try {
            $application = new Application($kernel);
            $application->setAutoExit(false);
            $said = new BufferedOutput();
            0 === $application->run(new ArrayInput($command), $said) || throw new \RuntimeException(
                'The demo workshop could not be made: '.trim($said->fetch()),
            );
        } finally {
            $kernel->shutdown();
            [$_SERVER['NK_WORLD'], $_ENV['NK_WORLD']] = $was;
        }
    }

    private function folder(string $world): string
    {
        return $this->dataDir.'/'.$world;
    }
}
