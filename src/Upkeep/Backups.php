<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Twig\Attribute\AsTwigFunction;

/** The copies that lie beside the database, the newest first. */
final readonly class Backups
{
    /** Days after which the yard speaks of it. */
    public const OLD = 7;
    private const NAME = '/\Animble-knuckle-(\d{8}-\d{6})-\d{3}\.db\z/';

    public function __construct(
        private Database $database, private ClockInterface $clock, #[Autowire(param: 'app.data_dir')] private string $dataDir,
    ) {
    }

    /** @return list<Backup> */
    public function all(): array
    {
        $found = [];
        foreach (glob($this->folder().'/nimble-knuckle-*.db') ?: [] as $file) {
            $name = basename($file);
            $at = 1 === preg_match(self::NAME, $name, $m) ? \DateTimeImmutable::createFromFormat('Ymd-His', $m[1]) : false;
            false === $at || $found[] = new Backup($name, $at, (int) filesize($file));
        }
        usort($found, static fn (Backup $a, Backup $b): int => $b->at <=> $a->at);

        return $found;
    }

    /** @throws \RuntimeException with what to do about it */
    public function make(): Backup
    {
        $this->database->backUpTo($this->folder());

        return $this->all()[0];
    }

    /** Where a copy lies; null where there is none of that name. */
    public function file(string $name): ?string
    {
        $file = $this->folder().'/'.$name;

        return 1 === preg_match(self::NAME, $name) && is_file($file) ? $file : null;
    }

    /**
     * A copy and all pictures in one ZIP, made for whoever takes it away.
     *
     * @return string|null where it lies for now; null where there is no copy of that name
     */
    public function archive(string $name): ?string
    {
        $file = $this->file($name);
        if (null === $file) {
            return null;
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'nk-backup-');
        $zip = new \ZipArchive();
        true === $zip->open($path, \ZipArchive::OVERWRITE) || throw new \RuntimeException('The ZIP could not be begun: is the disk full?');
        $zip->addFile($file, $name);
        foreach (glob($this->folder().'/photos/[0-9a-f][0-9a-f]/*.jpg') ?: [] as $photo) {
            $inside = substr($photo, strlen($this->folder()) + 1);
            $zip->addFile($photo, $inside);
            $zip->setCompressionName($inside, \ZipArchive::CM_STORE);
        }
        $zip->close() || throw new \RuntimeException('The ZIP could not be written: is the disk full?');

        return $path;
    }

    /** How many pictures lie with the copies. */
    public function photos(): int
    {
        return count(glob($this->folder().'/photos/[0-9a-f][0-9a-f]/*.jpg') ?: []);
    }

    /** What the yard says of it: nothing while a copy is young enough. */
    #[AsTwigFunction('backup_due')]
    public function due(): string
    {
        $newest = $this->all()[0] ?? null;
        $days = null === $newest ? null : (int) $newest->at->diff($this->clock->now())->format('%a');

        return match (true) {
            null === $days => 'There is no backup yet.',
            $days > self::OLD => sprintf('The last backup is %d days old.', $days),
            default => '',
        };
    }

    private function folder(): string
    {
        return $this->dataDir.'/backups';
    }
}
