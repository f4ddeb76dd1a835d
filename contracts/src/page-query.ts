import { Transform } from 'class-transformer';
import { IsInt, IsOptional, Matches, Max, Min } from 'class-validator';
import { PAGE_MOST } from './sizes';

const LIMIT = { message: `a whole number from 1 to ${PAGE_MOST}` };

/** Which page of a list is asked for. */
export class PageQuery {
  @IsOptional()
  @Transform(({ value }) => Number(value))
  @IsInt(LIMIT)
  @Min(1, LIMIT)
  @Max(PAGE_MOST, LIMIT)
  limit?: number;

  /** Where the page before ended, as its answer told it in the header `Link`. */
  @IsOptional()
  @Matches(/^\d{1,17}\.[0-9a-f-]{36}$/, { message: 'the end of a page, as its answer told it' })
  after?: string;
}
