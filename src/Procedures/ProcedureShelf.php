<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Procedures;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Procedure\CommonParts;
use NimbleKnuckle\Core\Plan\Procedure\Procedure;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;
use Symfony\Contracts\Cache\CacheInterface;

/** The shipped procedures, read from YAML; what was parsed is cached until a file changes. */
final class ProcedureShelf
{
    private ?CommonParts $common = null;
    /** @var array<string, Procedure> */
    private array $read = [];

    public function __construct(
        #[Autowire(param: 'app.procedures_dir')] private readonly string $proceduresDir,
        #[Autowire('%app.data_dir%/procedures')] private readonly string $ownDir,
        #[Autowire(service: 'cache.procedures')] private readonly CacheInterface $cache,
    ) {
    }

    /** @return array<string, Procedure> */
    public function all(): array
    {
        return array_filter(array_map($this->sound(...), $this->ids()));
    }

    /** @return array<string, string> files that are no procedures, with what is wrong: shown as damaged, the others go on */
    public function damaged(): array
    {
        $damaged = [];
        foreach (array_keys($this->ids()) as $id) {
            $id = (string) $id;
            try {
                null !== $this->procedure($id)
                    || $damaged[$id] = 'A procedure’s id is small letters, digits and hyphens, and not “common”.';
            } catch (\LogicException $e) {
                $damaged[$id] = $e->getMessage();
            }
        }

        return $damaged;
    }

    /** @return array<string, string> id => id of every file on the shelf */
    private function ids(): array
    {
        $ids = [];
        foreach ([$this->proceduresDir, $this->ownDir] as $dir) {
            foreach (glob($dir.'/*.yaml') ?: [] as $file) {
                $ids[basename($file, '.yaml')] = basename($file, '.yaml');
            }
        }
        if (!is_file($this->ownDir.'/common.yaml')) {
            unset($ids['common']);
        }

        return $ids;
    }

    private function sound(string $id): ?Procedure
    {
        try {
            return $this->procedure($id);
        } catch (\LogicException) {
            // It is listed by damaged(), with the reason.
            return null;
        }
    }

    public function procedure(string $id): ?Procedure
    {
        if (isset($this->read[$id])) {
            return $this->read[$id];
        }
        $file = $this->fileOf($id);
        if (null === $file) {
            return null;
        }
        try {
            return $this->read[$id] = Procedure::read(Node::of($this->parsed($file)), $this->common());
        } catch (InvalidDocument|ParseException $e) {
            throw new \LogicException(sprintf('%s: %s', basename($file), $e->getMessage()), 0, $e);
        }
    }

    /**
     * What was asked and answered, in words; read off the parsed files without making procedures of them.
     *
     * @param list<string> $ids
     * @param array<string, string> $choices
     *
     * @return list<array{ask: string, label: string}>
     */
    public function waysChosen(array $ids, array $choices): array
    {
        $ways = $topics = [];
        foreach ($ids as $id) {
            $file = $this->fileOf($id);
            $node = null !== $file ? Node::of($this->parsed($file)) : Node::of([]);
            foreach ([...$node->nodes('questions'), ...$node->nodes('ways')] as $group) {
                $options = $group->nodes('options');
                $chosen = $choices[$group->string('id')] ?? $group->string('default', $options[0]->string('id'));
                $topic = $group->string('topic', '');
                if ('' !== $topic && isset($topics[$topic])) {
                    continue;
                }
                $topics[$topic] = true;
                foreach ($options as $option) {
                    if ($option->string('id') === $chosen) {
                        $ways[] = ['ask' => $group->string('ask'), 'label' => $option->string('label')];
                    }
                }
            }
        }

        return $ways;
    }

    /** The file of a procedure: the workshop's own stands before the shipped one. */
    public function fileOf(string $id): ?string
    {
        if (1 !== preg_match('/\A[a-z0-9-]{1,60}\z/', $id) || 'common' === $id) {
            return null;
        }
        foreach ([$this->ownDir, $this->proceduresDir] as $dir) {
            if (is_file($dir.'/'.$id.'.yaml')) {
                return $dir.'/'.$id.'.yaml';
            }
        }

        return null;
    }

    /** Keeps a procedure of the workshop's own; the text was checked before. */
    public function keepOwn(string $id, string $yaml): string
    {
        1 === preg_match('/\A[a-z0-9-]{1,60}\z/', $id) && 'common' !== $id || throw InvalidDocument::at(
            'id', 'small letters, digits and hyphens are needed, and not “common”.',
        );
        is_dir($this->ownDir) || mkdir($this->ownDir, 0o750, true);
        $file = $this->ownDir.'/'.$id.'.yaml';
        file_put_contents($file, $yaml, \LOCK_EX);

        return $file;
    }

    public function common(): CommonParts
    {
        return $this->common ??= CommonParts::read(Node::of($this->parsed($this->proceduresDir.'/common.yaml')));
    }

    private function parsed(string $file): mixed
    {
        return $this->cache->get('procedure.'.hash('xxh128', $file).'.'.filemtime($file), static fn (): mixed => Yaml::parseFile($file));
    }
}
