<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Procedures;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\Procedure;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;
use Symfony\Contracts\Cache\CacheInterface;

/** The procedures to plan with: the shipped ones, and before them the workshop’s own. What was parsed is cached by what it says. */
final class ProcedureShelf
{
    private ?CommonParts $common = null;
    /** @var array<string, Procedure> by id, or by id and hash */
    private array $read = [];
    /** @var array<string, string>|null id => hash of the workshop’s own */
    private ?array $own = null;

    public function __construct(
        #[Autowire(param: 'app.procedures_dir')] private readonly string $proceduresDir, private readonly ProcedureTexts $texts,
        #[Autowire(service: 'cache.procedures')] private readonly CacheInterface $cache,
    ) {
    }

    /** @return array<string, Procedure> */
    public function all(): array
    {
        return array_filter(array_map($this->sound(...), $this->ids()));
    }

    /** @return array<string, string> texts that are no procedures, with what is wrong: shown as damaged, the others go on */
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

    /** @return array<string, string> id => id of everything on the shelf */
    private function ids(): array
    {
        $ids = [];
        foreach (glob($this->proceduresDir.'/*.yaml') ?: [] as $file) {
            $ids[basename($file, '.yaml')] = basename($file, '.yaml');
        }
        unset($ids['common']);
        foreach (array_keys($this->own()) as $id) {
            $ids[$id] = (string) $id;
        }
        ksort($ids);

        return $ids;
    }

    /**
     * Those that came with the application, read without the database.
     *
     * @return array<string, Procedure>
     */
    public function shipped(): array
    {
        $shipped = [];
        foreach (glob($this->proceduresDir.'/*.yaml') ?: [] as $file) {
            $id = basename($file, '.yaml');
            self::isId($id) && $shipped[$id] = Procedure::read(Node::of($this->parsed($file)), $this->common());
        }

        return $shipped;
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

    /** @param string $hash the text a fit was planned with; empty for the one that is planned with now */
    public function procedure(string $id, string $hash = ''): ?Procedure
    {
        $key = $id.' '.$hash;
        if (isset($this->read[$key])) {
            return $this->read[$key];
        }
        $parsed = $this->document($id, $hash);
        try {
            return null === $parsed ? null : $this->read[$key] = Procedure::read(Node::of($parsed), $this->common());
        } catch (InvalidDocument|ParseException $e) {
            throw new \LogicException(sprintf('%s: %s', $id, $e->getMessage()), 0, $e);
        }
    }

    /**
     * What was asked and answered, in words; read off the parsed texts without making procedures of them.
     *
     * @param list<string> $ids
     * @param array<string, string> $choices
     * @param array<string, string> $texts id => hash, of a fit that keeps what it was planned with
     *
     * @return list<array{ask: string, label: string}>
     */
    public function waysChosen(array $ids, array $choices, array $texts = []): array
    {
        $ways = $topics = [];
        foreach ($ids as $id) {
            $node = Node::of($this->document($id, $texts[$id] ?? '') ?? []);
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

    /** A procedure as it is written now; null where there is none. */
    public function text(string $id): ?string
    {
        $own = $this->own()[$id] ?? '';
        if ('' !== $own) {
            return $this->texts->text($own)?->yaml;
        }
        $file = $this->shippedFile($id);

        return null === $file ? null : (string) file_get_contents($file);
    }

    public function isShipped(string $id): bool
    {
        return null !== $this->shippedFile($id);
    }

    public function isOwn(string $id): bool
    {
        return isset($this->own()[$id]);
    }

    /** Keeps a version of the workshop's own; the text was checked before. */
    public function keepOwn(string $id, string $yaml, string $person): ProcedureText
    {
        self::isId($id) || throw InvalidDocument::at('id', 'small letters, digits and hyphens are needed, and not “common”.');
        [$this->own, $this->read] = [null, []];

        return $this->texts->keepOwn($id, $yaml, $person);
    }

    /** The shipped one is planned with again, or none where none is shipped. */
    public function shelve(string $id): void
    {
        [$this->own, $this->read] = [null, []];
        $this->texts->shelve($id);
    }

    /**
     * What a fit is planned with, kept so that it is still there when it is planned again.
     *
     * @param list<string> $ids
     * @param array<string, string> $known id => hash, of a fit that keeps what it has
     *
     * @return array<string, string> id => hash
     */
    public function kept(array $ids, array $known = []): array
    {
        $kept = [];
        foreach ($ids as $id) {
            $text = isset($known[$id]) ? '' : (string) $this->text($id);
            $kept[$id] = $known[$id] ?? $this->texts->kept($id, $text)->hash;
        }

        return $kept;
    }

    public function common(): CommonParts
    {
        return $this->common ??= CommonParts::read(Node::of($this->parsed($this->proceduresDir.'/common.yaml')));
    }

    /** @return array<string, string> */
    private function own(): array
    {
        return $this->own ??= $this->texts->current();
    }

    private function shippedFile(string $id): ?string
    {
        $file = $this->proceduresDir.'/'.$id.'.yaml';

        return self::isId($id) && is_file($file) ? $file : null;
    }

    private static function isId(string $id): bool
    {
        return 1 === preg_match('/\A[a-z0-9-]{1,60}\z/', $id) && 'common' !== $id;
    }

    private function document(string $id, string $hash = ''): mixed
    {
        $hash = '' === $hash ? $this->own()[$id] ?? '' : $hash;
        if ('' !== $hash) {
            return $this->cache->get('procedure.text.'.$hash, function () use ($hash): mixed {
                $text = $this->texts->text($hash);

                return null === $text ? null : Yaml::parse($text->yaml);
            });
        }
        $file = $this->shippedFile($id);

        return null === $file ? null : $this->parsed($file);
    }

    private function parsed(string $file): mixed
    {
        return $this->cache->get('procedure.'.hash('xxh128', $file).'.'.filemtime($file), static fn (): mixed => Yaml::parseFile($file));
    }
}
