<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Causes;

use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\CheckFindings;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;
use Symfony\Contracts\Cache\CacheInterface;

/** The tables of causes that ship, one file each. */
final class CauseShelf
{
    /** @var array<string, CauseTable>|null */
    private ?array $tables = null;

    public function __construct(
        #[Autowire('%kernel.project_dir%/causes')] private readonly string $dir,
        #[Autowire(service: 'cache.procedures')] private readonly CacheInterface $cache,
    ) {
    }

    /** @return array<string, CauseTable> id => table, in the order of their files */
    public function all(): array
    {
        return $this->tables ??= $this->read();
    }

    /**
     * What came along from looking for a cause; null where nothing did.
     *
     * @param InputBag<string> $in
     */
    public function complaint(InputBag $in, string $id = ''): ?Complaint
    {
        $table = $this->all()['' === $id ? $in->getString('complaint') : $id] ?? null;
        $cause = $in->getString('cause');

        return null === $table || !isset($table->names[$cause]) ? null : new Complaint(
            $table, CheckFindings::in($table, $in->all('f'), $in->all('m')), $cause,
        );
    }

    /** @return array<string, CauseTable> */
    private function read(): array
    {
        $tables = [];
        foreach (glob($this->dir.'/*.yaml') ?: [] as $file) {
            $raw = $this->cache->get(
                'causes.'.hash('xxh128', $file).'.'.filemtime($file), static fn (): mixed => Yaml::parseFile($file),
            );
            try {
                $table = CauseTable::read(Node::of($raw));
            } catch (InvalidDocument|ParseException $e) {
                throw new \LogicException(sprintf('%s: %s', basename($file), $e->getMessage()), 0, $e);
            }
            $tables[$table->id] = $table;
        }

        return $tables;
    }
}
