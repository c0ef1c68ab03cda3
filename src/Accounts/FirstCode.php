<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * The code with which the first lead is made where there is nobody yet: read on the machine itself, good once, and another one
 * after five wrong tries.
 */
final readonly class FirstCode
{
    /** Without what looks alike. */
    private const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
    private const LENGTH = 8;
    private const TRIES = 5;

    public function __construct(
        private AccountBook $accounts, #[Autowire(param: 'app.data_dir')] private string $dataDir,
        #[Autowire(param: 'kernel.environment')] private string $environment,
    ) {
    }

    /** Whether nobody is here yet. */
    public function isOpen(): bool
    {
        return [] === $this->accounts->all();
    }

    /** The code that holds now; made where there is none. */
    public function now(): string
    {
        [$code] = $this->kept();

        return '' === $code ? $this->made(0) : $code;
    }

    /** Whether this is the code; every wrong one counts. */
    public function isRight(#[\SensitiveParameter] string $given): bool
    {
        [$code, $tries] = $this->kept();
        if ('' !== $code && hash_equals($code, strtoupper((string) preg_replace('/[^A-Za-z0-9]/', '', $given)))) {
            return true;
        }
        ++$tries >= self::TRIES ? $this->made(0) : $this->keep('' === $code ? $this->fresh() : $code, $tries);

        return false;
    }

    public function used(): void
    {
        is_file($this->file()) && unlink($this->file());
    }

    private function made(int $tries): string
    {
        $code = $this->fresh();
        $this->keep($code, $tries);

        return $code;
    }

    private function fresh(): string
    {
        $code = '';
        for ($i = 0; $i < self::LENGTH; ++$i) {
            $code .= self::SIGNS[random_int(0, strlen(self::SIGNS) - 1)];
        }

        return $code;
    }

    private function keep(string $code, int $tries): void
    {
        is_dir($this->dataDir) || mkdir($this->dataDir, 0o750, true);
        touch($this->file());
        chmod($this->file(), 0o600);
        file_put_contents($this->file(), $code.' '.$tries, \LOCK_EX);
    }

    /** @return array{string, int} the code and how often another was tried */
    private function kept(): array
    {
        $kept = is_file($this->file()) ? explode(' ', trim((string) file_get_contents($this->file()))) : [];

        return [$kept[0] ?? '', (int) ($kept[1] ?? 0)];
    }

    private function file(): string
    {
        return $this->dataDir.'/'.$this->environment.'.first-code';
    }
}
