<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Beside;

use NimbleKnuckle\App\Kernel;
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
    private const MAKING = 'demo.new';

    public function __construct(
        #[Autowire(param: 'app.data_dir')] private string $dataDir, #[Autowire(env: 'NK_WORLD')] private string $world,
        #[Autowire(param: 'kernel.environment')] private string $environment,
    ) {
    }

    /** @param array<array-key, mixed> $cookies of the request */
    public static function worldOf(array $cookies): string
    {
        return '1' === ($cookies[self::COOKIE] ?? null) ? self::WORLD : '';
    }

    /** Whether this request is in it. */
    public function isHere(): bool
    {
        return '' !== $this->world;
    }

    public function isThere(): bool
    {
        return is_file($this->folder(self::WORLD).'/'.$this->environment.'.db');
    }

    /**
     * Makes it where it is not there. Beside it first, and put in its place when it is whole.
     *
     * @throws \RuntimeException when it cannot be made, with what was said
     */
    public function make(): void
    {
        if ($this->isThere() || $this->isHere()) {
            return;
        }
        $files = new Filesystem();
        $files->remove($this->folder(self::MAKING));
        $limit = (string) ini_set('memory_limit', '512M');
        $files->mkdir($this->folder(self::MAKING), 0o750);
        try {
            $this->run(['command' => 'doctrine:migrations:migrate', '--no-interaction' => true, '--allow-no-migration' => true]);
            $this->run(['command' => 'demo:load']);
            $files->rename($this->folder(self::MAKING), $this->folder(self::WORLD), true);
        } finally {
            $files->remove($this->folder(self::MAKING));
            ini_set('memory_limit', $limit);
        }
    }

    public function throwAway(): void
    {
        $this->isHere() || (new Filesystem())->remove($this->folder(self::WORLD));
    }

    /** @param array<string, mixed> $command */
    private function run(array $command): void
    {
        $was = [$_SERVER['NK_WORLD'] ?? '', $_ENV['NK_WORLD'] ?? ''];
        $_SERVER['NK_WORLD'] = $_ENV['NK_WORLD'] = self::MAKING;
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
